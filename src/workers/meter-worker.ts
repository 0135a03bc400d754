/** What the finish makes of one pixel, where that depends on others: on a thread of its own. */
import { expose } from 'comlink';
import { finishStepsAt, type FinishedPixel } from '@/core/light/finished';
import type { Moment, PicturePixels } from '@/core/moment/moment';

/** Pixels of artworks, by their ids, that were sent and still stand. */
const pictures = new Map<string, PicturePixels>();

const work = {
  /** Pictures that are new, or are others than before. */
  keep(changed: Readonly<Record<string, PicturePixels>>): void {
    for (const [id, pixels] of Object.entries(changed)) pictures.set(id, pixels);
  },

  /** @param moment with a view of the one pixel */
  finish(moment: Moment): FinishedPixel {
    return finishStepsAt(moment, (key) => pictures.get(key) ?? null, 0, 0);
  },
};

export type MeterWorker = typeof work;
expose(work);
