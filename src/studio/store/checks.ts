/** Checks of the scene that take a while: they run on a thread of their own, and what they found stands until they run again. */
import { proxy, wrap, type Remote } from 'comlink';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { SceneFlashReport } from '@/core/checks/flash/scene-flashes';
import type { SeenReport } from '@/core/checks/seen/seen-report';
import { wordsOf } from '@/core/faults';
import type { PictureSource } from '@/core/moment/moment';
import type { SceneDocument } from '@/core/scene/document';
import type { TableStore } from './table-store';
import type { CheckedFiles, CheckWorker } from '@/workers/check-worker';

export interface CheckState<T> {
  /** How far it is, 0 to 1; null while it does not run. */
  share: number | null;
  report: T | null;
  /** The scene that the report is of. */
  scene: SceneDocument | null;
  /** Why the last run came to nothing. */
  fault: string | null;
}

export interface ChecksState {
  flashes: CheckState<SceneFlashReport>;
  seen: CheckState<SeenReport>;
}

type CheckName = keyof ChecksState;
type ReportOf<N extends CheckName> = NonNullable<ChecksState[N]['report']>;

const NOT_YET = { share: null, report: null, scene: null, fault: null };

/** Where pictures come from, and when all of them are there. */
export interface CheckedPictures {
  source: PictureSource;
  tables: Pick<TableStore, 'all'>;
  whenAllDone(): Promise<void>;
}

export class Checks {
  readonly api: StoreApi<ChecksState> = createStore<ChecksState>(() => ({ flashes: NOT_YET, seen: NOT_YET }));
  private readonly workers: Record<CheckName, Worker | null> = { flashes: null, seen: null };

  /** @param pictures waited for: art that is not there yet would be missing from what is checked */
  constructor(private readonly pictures: CheckedPictures) {}

  /** Looks for flashes at an hour. */
  lookForFlashes(scene: SceneDocument, hour: number): Promise<void> {
    return this.run('flashes', scene, (remote, files, progress) =>
      remote.flashes(scene, files, hour, progress),
    );
  }

  /** Looks how well a sprite can be seen. */
  lookAtFigure(scene: SceneDocument, spriteId: string): Promise<void> {
    return this.run('seen', scene, (remote, files, progress) =>
      remote.seen(scene, files, spriteId, progress),
    );
  }

  /** Breaks a check off; what it found before stands. */
  stop(name: CheckName): void {
    this.workers[name]?.terminate();
    this.workers[name] = null;
    this.set(name, { share: null });
  }

  close(): void {
    for (const name of Object.keys(this.workers) as CheckName[]) this.stop(name);
  }

  private async run<N extends CheckName>(
    name: N,
    scene: SceneDocument,
    work: (
      remote: Remote<CheckWorker>,
      files: CheckedFiles,
      progress: (share: number) => void,
    ) => Promise<ReportOf<N>>,
  ): Promise<void> {
    this.stop(name);
    const worker = new Worker(new URL('../../workers/check-worker.ts', import.meta.url), { type: 'module' });
    this.workers[name] = worker;
    this.set(name, { share: 0, fault: null });
    const isNewest = () => this.workers[name] === worker;
    const progress = proxy((share: number) => {
      if (isNewest()) this.set(name, { share });
    });
    const failed = new Promise<never>((_, reject) => {
      worker.onerror = ({ message }) => reject(new Error(message || 'The worker cannot be started.'));
    });
    try {
      await this.pictures.whenAllDone();
      if (!isNewest()) return;
      const done = work(wrap<CheckWorker>(worker), filesOf(scene, this.pictures), progress);
      const report = await Promise.race([done, failed]);
      if (isNewest()) this.set(name, { report, scene, share: null });
    } catch (thrown) {
      if (isNewest()) this.set(name, { fault: wordsOf(thrown), share: null });
    } finally {
      if (isNewest()) this.workers[name] = null;
      worker.terminate();
    }
  }

  private set(name: CheckName, fields: Partial<CheckState<unknown>>): void {
    this.api.setState((state) => ({ [name]: { ...state[name], ...fields } }));
  }
}

function filesOf({ artworks }: SceneDocument, { source, tables }: CheckedPictures): CheckedFiles {
  const pictures = Object.fromEntries(
    Object.keys(artworks).flatMap((id) => {
      const pixels = source(id);
      return pixels ? [[id, pixels]] : [];
    }),
  );
  return { pictures, tables: tables.all() };
}
