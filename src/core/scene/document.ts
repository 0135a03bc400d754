/**
 * The scene as plain data: records by id in named collections (see records/all-records.ts), order as fractional keys, units in
 * the names. Pixels are not in it; an artwork names its picture by the hash of the file's bytes.
 * Places are scene px, x right, y down; angles degrees, clockwise as seen.
 */
import type { Collections } from './records/all-records';
import { SETTINGS_ID, type SceneSettings } from './records/settings';

export const SCENE_FORMAT = 'oilwick-scene';
export const SCENE_VERSION = 11;

export interface SceneDocument extends Collections {
  format: typeof SCENE_FORMAT;
  version: number;
}

export function settingsOf(scene: SceneDocument): SceneSettings {
  return scene.settings[SETTINGS_ID];
}

/** Ids of a collection by their order key, ties by id. */
export function inOrder<T extends { order: string }>(records: Record<string, T>): [string, T][] {
  return Object.entries(records).sort(([i, a], [j, b]) => compare(a.order, b.order) || compare(i, j));
}

/** Plain code-unit order, the same on every machine and in every language. */
export function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
