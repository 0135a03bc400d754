/** Checks that look at a scene over a minute or a day, on a thread of their own. */
import { expose } from 'comlink';
import { SceneFlashes, type SceneFlashReport } from '@/core/checks/flash/scene-flashes';
import { FigureSeen } from '@/core/checks/seen/seen';
import type { SeenReport } from '@/core/checks/seen/seen-report';
import type { PicturePixels } from '@/core/moment/moment';
import type { SceneDocument } from '@/core/scene/document';

/** The pixels of a scene's artworks, by their ids. */
export type CheckPictures = Record<string, PicturePixels>;
type Progress = (share: number) => void;

const work = {
  flashes(scene: SceneDocument, pictures: CheckPictures, hour: number, progress: Progress): SceneFlashReport {
    const check = new SceneFlashes(scene, (key) => pictures[key] ?? null, hour);
    run(check, progress);
    return check.report();
  },
  seen(scene: SceneDocument, pictures: CheckPictures, spriteId: string, progress: Progress): SeenReport {
    const check = new FigureSeen(scene, (key) => pictures[key] ?? null, spriteId);
    run(check, progress);
    return check.report();
  },
};

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
