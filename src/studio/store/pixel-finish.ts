/** Works out what the finish makes of pixels, on a thread of its own, which has the pictures at hand. */
import { wrap, type Remote } from 'comlink';
import { finishStepsAt, type FinishedPixel } from '@/core/light/finished';
import type { Moment, PicturePixels, PictureSource } from '@/core/moment/moment';
import type { MeterWorker } from '@/workers/meter-worker';

export class PixelFinish {
  private worker: Worker | null = null;
  private remote: Remote<MeterWorker> | null = null;
  /** Fails where the thread cannot be started. */
  private failed: Promise<never> = new Promise(() => {});
  /** What the thread has of pictures. */
  private readonly sent = new Map<string, PicturePixels>();

  /** Where the thread fails it is worked out here. @param moment with a view of the one pixel */
  async of(moment: Moment, source: PictureSource): Promise<FinishedPixel> {
    try {
      this.remote ??= this.start();
      return await Promise.race([this.onThread(this.remote, moment, source), this.failed]);
    } catch {
      // The next one has a thread of its own again.
      this.close();
      return finishStepsAt(moment, source, 0, 0);
    }
  }

  private async onThread(
    remote: Remote<MeterWorker>,
    moment: Moment,
    source: PictureSource,
  ): Promise<FinishedPixel> {
    const changed: Record<string, PicturePixels> = {};
    for (const { key } of moment.pictures) {
      const pixels = source(key);
      if (!pixels || this.sent.get(key) === pixels) continue;
      changed[key] = pixels;
      this.sent.set(key, pixels);
    }
    if (Object.keys(changed).length > 0) await remote.keep(changed);
    return remote.finish(moment);
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
    this.sent.clear();
  }

  private start(): Remote<MeterWorker> {
    const worker = new Worker(new URL('../../workers/meter-worker.ts', import.meta.url), { type: 'module' });
    this.worker = worker;
    this.failed = new Promise((_, reject) => {
      worker.onerror = ({ message }) => reject(new Error(message));
    });
    // It may fail while nobody waits.
    this.failed.catch(() => undefined);
    return wrap<MeterWorker>(worker);
  }
}
