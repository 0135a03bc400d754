import { proxy, wrap } from 'comlink';
import type { ExportName } from '@/core/handoff/exports/all-exports';
import { filesNeeded } from '@/core/handoff/bundle';
import { plainName } from '@/core/handoff/file-names';
import { packFiles, type Files } from '@/core/handoff/zip';
import type { ExportWorker } from '@/workers/export-worker';
import type { OptionValues } from '../controls/OptionRows';
import { download } from '../store/download';
import { blobUrl } from '../store/server-api';
import type { Studio } from '../store/studio';

export interface ExportRun {
  /** The files; null where it was stopped. */
  result: Promise<Files | null>;
  stop(): void;
}

/** Makes an export of the scene in a worker of its own; stopping ends the worker. */
export function startExport(
  studio: Studio,
  name: ExportName,
  options: OptionValues,
  progress: (done: number, all: number) => void,
): ExportRun {
  const worker = new Worker(new URL('../../workers/export-worker.ts', import.meta.url), { type: 'module' });
  let stop = () => {};
  const stopped = new Promise<null>((resolve) => {
    stop = () => resolve(null);
  });
  // A worker that cannot run answers nothing.
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = ({ message }) => reject(new Error(message || 'The worker cannot be started.'));
  });
  const made = async () => {
    const scene = studio.scenes.kept;
    const files = new Map<string, Uint8Array>();
    for (const sha of filesNeeded(scene)) {
      const response = await fetch(blobUrl(sha));
      if (!response.ok) throw new Error('A file could not be loaded from the server.');
      files.set(sha, new Uint8Array(await response.arrayBuffer()));
    }
    const source = { name: studio.info.name, scene, files };
    return wrap<ExportWorker>(worker).run(name, source, options, proxy(progress));
  };
  return {
    result: Promise.race([made(), stopped, failed]).finally(() => worker.terminate()),
    stop,
  };
}

/** Gives files to the person: one as it is, several in an archive. */
export function downloadFiles(sceneName: string, name: ExportName, files: Files): void {
  const paths = Object.keys(files);
  if (paths.length === 1) {
    const [path] = paths;
    download(path, files[path], path.endsWith('.zip') ? 'application/zip' : 'application/octet-stream');
  } else download(`${plainName(sceneName)}-${name}.zip`, packFiles(files), 'application/zip');
}
