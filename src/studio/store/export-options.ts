/** What a person chose for each way in which a project leaves: kept in their browser, for the next time. */
import type { InferType } from 'yup';
import type { StoreApi } from 'zustand/vanilla';
import type { EXPORTS } from '@/core/handoff/exports/all-exports';
import { EXPORT_NAMES, exportNamed, type ExportName } from '@/core/handoff/exports/all-exports';
import { exportOptions } from '@/core/handoff/exports/kind';
import { keptInBrowser } from './kept-in-browser';

type KeptOptions = { [N in ExportName]: InferType<(typeof EXPORTS)[N]['options']> };
export type ExportOptionsStore = StoreApi<KeptOptions>;

/** @param projectId whose options they are; null keeps them nowhere */
export function createExportOptions(projectId: string | null): ExportOptionsStore {
  return keptInBrowser(
    projectId === null ? null : `oilwick-exports/${projectId}`,
    (kept) => Object.fromEntries(EXPORT_NAMES.map((name) => [name, sound(name, kept[name])])) as KeptOptions,
  );
}

/** Options that another version kept may not fit any more: then the usual ones stand. */
function sound(name: ExportName, kept: unknown): object {
  const kind = exportNamed(name);
  try {
    return exportOptions(kind, (kept ?? {}) as Record<string, unknown>);
  } catch {
    return exportOptions(kind, {});
  }
}
