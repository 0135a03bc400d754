/** What leaves for the game, in the order in which it is offered. */
import { bundle } from './bundle';
import type { ExportKind } from './kind';
import { colourTable } from './colour-table';
import { maps } from './maps';

export const EXPORTS = { bundle, maps, table: colourTable } as const;

export type ExportName = keyof typeof EXPORTS;
export const EXPORT_NAMES = Object.keys(EXPORTS) as ExportName[];

/** An export as code sees it that knows none by its name. */
export function exportNamed(name: ExportName): ExportKind {
  return EXPORTS[name] as unknown as ExportKind;
}
