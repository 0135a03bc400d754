/** The art worker at hand: one lane at a time may be overtaken, as by a slider that moves on. */
import { wrap, type Remote } from 'comlink';
import type { Recipe } from '@/core/relief/recipe';
import type { ArtWorker, ReliefAnswer } from '@/workers/art-worker';
import type { ArtWork } from './pictures';

export class ArtWorkers implements ArtWork {
  readonly remote: Remote<ArtWorker>;
  private readonly worker: Worker;
  private readonly counter: Int32Array | null;
  private request = 0;

  constructor() {
    this.worker = new Worker(new URL('../../workers/art-worker.ts', import.meta.url), { type: 'module' });
    this.remote = wrap<ArtWorker>(this.worker);
    // Without cross-origin isolation there is no shared memory; work is then done to its end.
    this.counter = typeof SharedArrayBuffer === 'undefined' ? null : new Int32Array(new SharedArrayBuffer(4));
    if (this.counter) void this.remote.share(this.counter);
  }

  decode(sha256: string, bytes: Uint8Array) {
    return this.remote.decode(sha256, bytes);
  }

  relief(sha256: string, recipe: Recipe): Promise<ReliefAnswer | null> {
    return this.remote.relief(sha256, recipe, 0, false);
  }

  /** A relief while a slider moves: a reduced one first, the whole one after, both given up when a newer comes. */
  async liveRelief(
    sha256: string,
    recipe: Recipe,
    show: (answer: ReliefAnswer, isWhole: boolean) => void,
  ): Promise<void> {
    const request = ++this.request;
    if (this.counter) Atomics.store(this.counter, 0, request);
    const quick = await this.remote.relief(sha256, recipe, request, true);
    if (!quick || request !== this.request) return;
    show(quick, false);
    const whole = await this.remote.relief(sha256, recipe, request, false);
    if (whole && request === this.request) show(whole, true);
  }

  stop(): void {
    this.worker.terminate();
  }
}
