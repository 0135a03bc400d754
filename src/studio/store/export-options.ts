/** What a person chose for each way in which a project leaves: kept in their browser, for the next time. */
import type { InferType } from 'yup';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { EXPORTS } from '@/core/handoff/exports/all-exports';
import { EXPORT_NAMES, exportNamed, type ExportName } from '@/core/handoff/exports/all-exports';
import { exportOptions } from '@/core/handoff/exports/kind';

type KeptOptions = { [N in ExportName]: InferType<(typeof EXPORTS)[N]['options']> };
export type ExportOptionsStore = StoreApi<KeptOptions>;

/** @param projectId whose options they are; null keeps them nowhere */
export function createExportOptions(projectId: string | null): ExportOptionsStore {
  const key = `oilwick-exports/${projectId}`;
  const kept = projectId === null ? {} : readKept(key);
  const store = createStore(
    () => Object.fromEntries(EXPORT_NAMES.map((name) => [name, sound(name, kept[name])])) as KeptOptions,
  );
  if (projectId !== null)
    store.subscribe((options) => {
      try {
        localStorage.setItem(key, JSON.stringify(options));
      } catch {
        // A full or forbidden storage only costs the choice its memory.
      }
    });
  return store;
}

function readKept(key: string): Record<string, unknown> {
  try {
    return (JSON.parse(localStorage.getItem(key) ?? '{}') ?? {}) as Record<string, unknown>;
  } catch {
    return {};
  }
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
