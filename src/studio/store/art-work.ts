/**
 * The art workers at hand: a few for the pictures of the scene and for work on many, and one of its own for the artwork
 * on the Relief bench, so that a brush or a slider never waits for them. Requests run in lanes: a newer one of a lane
 * overtakes the older, as by a slider that moves on.
 */
import type { Remote } from 'comlink';
import type { ReliefJob } from '@/core/relief/job';
import type { ArtWorker, Ticket } from '@/workers/art-worker';
import type { ReliefAnswer } from '@/workers/relief-answer';
import { ArtSeat } from './art-seat';
import type { ArtWork } from './pictures';

/** Lanes that can be overtaken; artworks beyond them are made to their end. */
const LANES = 8192;
const MOST_WORKERS = 4;
const LIVE_LANE = 'live';

export class ArtWorkers implements ArtWork {
  private readonly newest: Int32Array | null;
  private readonly lanes = new Map<string, number>();
  private readonly seats: ArtSeat[];
  private readonly bench: ArtSeat;

  constructor() {
    // Without cross-origin isolation there is no shared memory; work is then done to its end.
    const hasShared = typeof SharedArrayBuffer !== 'undefined';
    this.newest = hasShared ? new Int32Array(new SharedArrayBuffer(4 * LANES)) : null;
    const count = Math.min(MOST_WORKERS, Math.max(1, navigator.hardwareConcurrency - 1));
    this.seats = Array.from({ length: count }, () => this.seat());
    this.bench = this.seat();
  }

  /** The worker of the Relief bench. */
  get live(): Remote<ArtWorker> {
    return this.bench.remote;
  }

  /** How many pieces of work are well given out at once. */
  get width(): number {
    return this.seats.length;
  }

  /** Runs a piece of work on the worker that has least to do. */
  async run<T>(work: (remote: Remote<ArtWorker>) => Promise<T>): Promise<T> {
    const seat = this.seats.reduce((best, other) => (other.waiting < best.waiting ? other : best));
    seat.waiting++;
    try {
      return await work(seat.remote);
    } finally {
      seat.waiting--;
    }
  }

  async rim(job: ReliefJob): Promise<Uint8Array | null> {
    return (await this.run((remote) => remote.maps(job, { rim: true }))).rim;
  }

  decode(sha256: string) {
    return this.run((remote) => remote.decode(sha256));
  }

  table(sha256: string, file: string) {
    return this.run((remote) => remote.table(sha256, file));
  }

  /** The whole relief; null where a newer request of the same lane came. */
  relief(job: ReliefJob, lane: string): Promise<ReliefAnswer | null> {
    const ticket = this.ticket(lane);
    return this.run((remote) => remote.relief(job, ticket));
  }

  /** The relief of the artwork on the bench, which has most of it at hand. */
  benchRelief(job: ReliefJob, lane: string): Promise<ReliefAnswer | null> {
    return this.bench.remote.relief(job, this.ticket(lane));
  }

  /** A relief while a control moves: a reduced one first, the whole one after, both given up when a newer comes. */
  async liveRelief(job: ReliefJob, show: (answer: ReliefAnswer, isWhole: boolean) => void): Promise<void> {
    const ticket = this.ticket(LIVE_LANE);
    const isNewest = () => !ticket || !this.newest || this.newest[ticket.lane] === ticket.number;
    const quick = await this.bench.remote.quickRelief(job, ticket);
    if (!quick || !isNewest()) return;
    show(quick, false);
    const whole = await this.bench.remote.relief(job, ticket);
    if (whole && isNewest()) show(whole, true);
  }

  stop(): void {
    for (const seat of [...this.seats, this.bench]) seat.stop();
  }

  private seat(): ArtSeat {
    return new ArtSeat(
      () => new Worker(new URL('../../workers/art-worker.ts', import.meta.url), { type: 'module' }),
      (remote) => {
        if (this.newest) remote.share(this.newest).catch(() => undefined);
      },
    );
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
