/** The rows of the wiring: what can be wired, under a heading for each kind. */
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { Picked } from './scene-store';

/** What can be wired to circuits. */
export const WIRED = ['lights', 'lamps', 'planes', 'sprites'] as const;
export type Wired = (typeof WIRED)[number];

export interface WiredName {
  collection: Wired;
  id: string;
}

export const WIRING_SHOWS = ['all', ...WIRED, 'picked'] as const;
export type WiringShows = (typeof WIRING_SHOWS)[number];

export const WIRED_WORDS: Record<Wired, string> = {
  lights: 'Lights',
  lamps: 'Lamps',
  planes: 'Planes',
  sprites: 'Sprites',
};

export interface WiringHeading {
  heading: Wired;
  count: number;
}
export type WiringRow = WiredName | WiringHeading;

export function wiringRows(
  scene: SceneDocument,
  { query, shows, picked }: { query: string; shows: WiringShows; picked: readonly Picked[] },
): WiringRow[] {
  const wanted = query.trim().toLowerCase();
  const pickedIds = new Set(picked.map(({ id }) => id));
  return WIRED.filter((collection) => shows === 'all' || shows === 'picked' || shows === collection).flatMap(
    (collection): WiringRow[] => {
      const found = inOrder<{ order: string; name: string }>(scene[collection]).filter(
        ([id, { name }]) => (shows !== 'picked' || pickedIds.has(id)) && name.toLowerCase().includes(wanted),
      );
      if (found.length === 0) return [];
      return [{ heading: collection, count: found.length }, ...found.map(([id]) => ({ collection, id }))];
    },
  );
}

export function isHeading(row: WiringRow): row is WiringHeading {
  return 'heading' in row;
}
