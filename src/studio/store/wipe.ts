/** What a side of the wipe can show. */
import type { ColourVision } from '@/core/checks/colour-vision';
import type { LookFields } from '@/core/scene/records/look';
import type { Passing } from '@/core/moment/passing';

export type WipeView =
  | { view: 'lit' | 'unlit' | 'relief' | 'shadows' | 'reference' }
  /** One light or lamp alone. */
  | { view: 'light'; id: string }
  | { view: 'hour'; clockHours: number }
  | { view: 'revision'; revision: number }
  | { view: 'eyes'; eyes: ColourVision }
  | { view: 'unfinished' }
  /** A look in the place of the scene's finish; see looksToTake. */
  | { view: 'look'; lookId: string; fields: LookFields };

export type WipeViewName = WipeView['view'];

/** Both sides of the movable edge. */
export interface Wipe {
  left: WipeView;
  right: WipeView;
}

export const LIT: WipeView = { view: 'lit' };

type LeftOut = { [N in WipeViewName]?: (view: Extract<WipeView, { view: N }>) => Partial<Passing> };

const LEFT_OUT: LeftOut = {
  unlit: () => ({ unlit: true }),
  relief: () => ({ relief: false }),
  shadows: () => ({ shadows: false }),
  unfinished: () => ({ finish: 'none' }),
  look: ({ fields }) => ({ finish: fields }),
  light: ({ id }) => ({ solo: new Set([id]), muted: new Set() }),
};

/** What a view leaves out of what is shown else. */
export function wipePassing(view: WipeView): Partial<Passing> {
  const leftOut = LEFT_OUT[view.view] as ((view: WipeView) => Partial<Passing>) | undefined;
  return leftOut?.(view) ?? {};
}
