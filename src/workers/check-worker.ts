/** Checks that look at a scene over a minute or a day, on a thread of their own. */
import { expose } from 'comlink';
import type { CheckFiles } from '@/core/checks/check-files';
import { SceneFlashes, type SceneFlashReport } from '@/core/checks/flash/scene-flashes';
import { FigureSeen } from '@/core/checks/seen/seen';
import type { SeenReport } from '@/core/checks/seen/seen-report';
import type { ColourTable } from '@/core/finish/colour-table';
import type { PicturePixels } from '@/core/moment/moment';
import type { SceneDocument } from '@/core/scene/document';

/** What a scene is drawn with, by the ids of artworks and of lookup tables. */
export interface CheckedFiles {
  pictures: Readonly<Record<string, PicturePixels>>;
  tables: Readonly<Record<string, ColourTable>>;
}
type Progress = (share: number) => void;

const work = {
  flashes(scene: SceneDocument, files: CheckedFiles, hour: number, progress: Progress): SceneFlashReport {
    const check = new SceneFlashes(scene, sourcesOf(files), hour);
    run(check, progress);
    return check.report();
  },
  seen(scene: SceneDocument, files: CheckedFiles, spriteId: string, progress: Progress): SeenReport {
    const check = new FigureSeen(scene, sourcesOf(files), spriteId);
    run(check, progress);
    return check.report();
  },
};

function sourcesOf({ pictures, tables }: CheckedFiles): CheckFiles {
  return { source: (key) => pictures[key] ?? null, tables: (id) => tables[id] ?? null };
}

/** Shares are told in steps of a hundredth: messages are not free. */
function run(check: { step(): boolean; share: number }, progress: Progress): void {
  let told = 0;
  while (check.step())
    if (check.share - told >= 0.01) {
      told = check.share;
      progress(told);
    }
}

export type CheckWorker = typeof work;
expose(work);
