/**
 * The stage without a graphics card: a still picture by the reference renderer, made in a worker after each change. While
 * one is made the last one stands; of the changes meanwhile only the newest is drawn next.
 */
import type { Image } from '@/core/raster/image';
import type { Moment, PictureSource } from '@/core/moment/moment';
import type { StillRequest } from '@/workers/still-worker';

interface Wanted {
  moment: Moment;
  source: PictureSource;
}

export interface Still {
  picture: ImageBitmap;
  /** What it shows: where it goes on the stage is worked out from its view. */
  moment: Moment;
}

export class StillPicture {
  private worker: Worker | null = null;
  private busy = false;
  private next: Wanted | null = null;
  last: Still | null = null;

  /** @param failed told in words where no picture comes */
  constructor(
    private readonly ready: () => void,
    private readonly failed: (why: string) => void,
  ) {}

  /** Asks for a picture of a Moment; `ready` is called when it is there. */
  want(moment: Moment, source: PictureSource): void {
    this.next = { moment, source };
    if (!this.busy) this.begin();
  }

  /** Whether the last one shows what was asked for last. */
  get isCurrent(): boolean {
    return this.last !== null && !this.busy;
  }

  dispose(): void {
    this.worker?.terminate();
    this.last?.picture.close();
    this.worker = null;
  }

  private begin(): void {
    const wanted = this.next;
    if (!wanted) return;
    this.next = null;
    this.busy = true;
    const { moment, source } = wanted;
    const pictures: StillRequest['pictures'] = {};
    for (const { key } of moment.pictures) {
      const pixels = source(key);
      if (pixels) pictures[key] = pixels;
    }
    this.worker ??= new Worker(new URL('../../workers/still-worker.ts', import.meta.url), { type: 'module' });
    this.worker.onmessage = ({ data }: MessageEvent<Image>) => void this.show(data, moment);
    this.worker.onerror = ({ message }) => {
      this.worker?.terminate();
      this.worker = null;
      this.busy = false;
      this.failed(message || 'The worker cannot be started.');
    };
    this.worker.postMessage({ moment, pictures } satisfies StillRequest);
  }

  private async show({ width, height, data }: Image, moment: Moment): Promise<void> {
    const picture = await createImageBitmap(new ImageData(new Uint8ClampedArray(data), width, height));
    this.last?.picture.close();
    this.last = { picture, moment };
    this.busy = false;
    this.ready();
    this.begin();
  }
}
