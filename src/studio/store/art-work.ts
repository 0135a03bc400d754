/** The art worker at hand. Requests run in lanes: a newer one of a lane overtakes the older, as by a slider that moves on. */
import { wrap, type Remote } from 'comlink';
import type { Recipe } from '@/core/relief/recipe';
import type { ArtWorker, ReliefAnswer, Ticket } from '@/workers/art-worker';
import type { ArtWork } from './pictures';

/** Lanes that can be overtaken; artworks beyond them are made to their end. */
const LANES = 1024;
const LIVE_LANE = 'live';

export class ArtWorkers implements ArtWork {
  readonly remote: Remote<ArtWorker>;
  private readonly worker: Worker;
  private readonly newest: Int32Array | null;
  private readonly lanes = new Map<string, number>();

  constructor() {
    this.worker = new Worker(new URL('../../workers/art-worker.ts', import.meta.url), { type: 'module' });
    this.remote = wrap<ArtWorker>(this.worker);
    // Without cross-origin isolation there is no shared memory; work is then done to its end.
    const hasShared = typeof SharedArrayBuffer !== 'undefined';
    this.newest = hasShared ? new Int32Array(new SharedArrayBuffer(4 * LANES)) : null;
    if (this.newest) void this.remote.share(this.newest);
  }

  decode(sha256: string, bytes: Uint8Array) {
    return this.remote.decode(sha256, bytes);
  }

  /** The whole relief; null where a newer request of the same lane came. */
  relief(sha256: string, recipe: Recipe, lane: string): Promise<ReliefAnswer | null> {
    return this.remote.relief(sha256, recipe, this.ticket(lane), false);
  }

  /** A relief while a slider moves: a reduced one first, the whole one after, both given up when a newer comes. */
  async liveRelief(
    sha256: string,
    recipe: Recipe,
    show: (answer: ReliefAnswer, isWhole: boolean) => void,
  ): Promise<void> {
    const ticket = this.ticket(LIVE_LANE);
    const isNewest = () => !ticket || !this.newest || this.newest[ticket.lane] === ticket.number;
    const quick = await this.remote.relief(sha256, recipe, ticket, true);
    if (!quick || !isNewest()) return;
    show(quick, false);
    const whole = await this.remote.relief(sha256, recipe, ticket, false);
    if (whole && isNewest()) show(whole, true);
  }

  stop(): void {
    this.worker.terminate();
  }

  private ticket(lane: string): Ticket | null {
    let place = this.lanes.get(lane);
    if (place === undefined) {
      place = this.lanes.size;
      if (place >= LANES || !this.newest) return null;
      this.lanes.set(lane, place);
    }
    return { lane: place, number: Atomics.add(this.newest!, place, 1) + 1 };
  }
}
