/** What leaves for the game, in the order in which it is offered. */
import { bundle } from './bundle';
import { cube } from './cube';
import type { ExportKind } from './kind';
import { lights } from './lights';
import { loop } from './loop';
import { maps } from './maps';
import { occluders } from './occluders';
import { stills } from './stills';
import { tracks } from './tracks';

export const EXPORTS = { bundle, maps, lights, occluders, tracks, stills, loop, cube } as const;

export type ExportName = keyof typeof EXPORTS;
export const EXPORT_NAMES = Object.keys(EXPORTS) as ExportName[];

/** An export as code sees it that knows none by its name. */
export function exportNamed(name: ExportName): ExportKind {
  return EXPORTS[name] as unknown as ExportKind;
}
