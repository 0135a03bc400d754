/** What a side of the wipe can show. */
import type { ColourVision } from '@/core/checks/colour-vision';
import type { Passing } from '@/core/moment/passing';

export type WipeView =
  | { view: 'lit' | 'unlit' | 'relief' | 'shadows' | 'reference' }
  /** One light or lamp alone. */
  | { view: 'light'; id: string }
  | { view: 'hour'; clockHours: number }
  | { view: 'revision'; revision: number }
  | { view: 'eyes'; eyes: ColourVision };

export type WipeViewName = WipeView['view'];

/** Both sides of the movable edge. */
export interface Wipe {
  left: WipeView;
  right: WipeView;
}

export const LIT: WipeView = { view: 'lit' };

/** What a view leaves out of what is shown else. */
export function wipePassing(view: WipeView): Partial<Passing> {
  switch (view.view) {
    case 'unlit':
      return { unlit: true };
    case 'relief':
      return { relief: false };
    case 'shadows':
      return { shadows: false };
    case 'light':
      return { solo: new Set([view.id]), muted: new Set() };
    default:
      return {};
  }
}
