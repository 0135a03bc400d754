/**
 * Reliefs that took long, kept in the browser by what they were made of, so that a scene opens with them at once. A
 * new version of the algorithm asks by other keys; what was not asked for longest goes first.
 */
import { createStore, del, get, set, update } from 'idb-keyval';
import { sourceHash } from '@/core/handoff/maps';
import type { ReliefJob } from '@/core/relief/job';
import type { ReliefAnswer } from './relief-answer';

/** Quicker ones are not worth the disk. */
const LEAST_MS = 120;
const MOST_BYTES = 512 * 1024 * 1024;
/** A relief under the brush changes with every stroke: it is kept when it has rested. */
const REST_MS = 4000;

type Kept = Omit<ReliefAnswer, 'took'>;
interface Index {
  [key: string]: { bytes: number; usedAt: number };
}

const INDEX = 'index';

export class ResultStore {
  private readonly results = createStore('oilwick-reliefs', 'results');
  private readonly index = createStore('oilwick-relief-index', 'index');
  private resting: ReturnType<typeof setTimeout> | undefined;

  async recalled(job: ReliefJob): Promise<Kept | null> {
    try {
      const key = sourceHash(job);
      const there = await get<Kept>(key, this.results);
      if (!there) return null;
      void this.touch(key, null);
      return there;
    } catch {
      // Without a store everything is made anew; nothing is lost.
      return null;
    }
  }

  remember(job: ReliefJob, answer: ReliefAnswer): void {
    if (answer.took < LEAST_MS) return;
    clearTimeout(this.resting);
    const { took: _took, ...kept } = answer;
    const copy: Kept = {
      ...kept,
      normals: kept.normals.slice(),
      heights: kept.heights.slice(),
      glow: kept.glow?.slice() ?? null,
    };
    const isPainted = job.layers.length > 0;
    const keep = () => {
      const key = sourceHash(job);
      const bytes = copy.normals.byteLength + copy.heights.byteLength + (copy.glow?.byteLength ?? 0);
      set(key, copy, this.results)
        .then(() => this.touch(key, bytes))
        .catch(() => undefined);
    };
    if (isPainted) this.resting = setTimeout(keep, REST_MS);
    else keep();
  }

  private async touch(key: string, bytes: number | null): Promise<void> {
    let dropped: string[] = [];
    await update<Index>(
      INDEX,
      (old = {}) => {
        const next = { ...old, [key]: { bytes: bytes ?? old[key]?.bytes ?? 0, usedAt: Date.now() } };
        dropped = [];
        let all = Object.values(next).reduce((sum, entry) => sum + entry.bytes, 0);
        for (const [oldest, entry] of Object.entries(next).sort(([, a], [, b]) => a.usedAt - b.usedAt)) {
          if (all <= MOST_BYTES) break;
          all -= entry.bytes;
          delete next[oldest];
          dropped.push(oldest);
        }
        return next;
      },
      this.index,
    );
    for (const old of dropped) await del(old, this.results);
  }
}
