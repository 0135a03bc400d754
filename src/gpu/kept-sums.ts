/**
 * The sum of lights that stand still, kept for each layer: where one light moves among many, only it is drawn anew. A sum
 * holds for the very same lights under the very same masks, over a layer that did not change, in the same view.
 */
import type { MomentLayer, MomentLight, View } from '@/core/moment/moment';
import type { Shades } from './light-batch';
import type { Device, Target } from './device';

/** Fewer lights are drawn as quickly as their sum is copied. */
const FEWEST = 4;
/** Bytes of all sums; beyond them layers go without. */
const BUDGET_BYTES = 96 * 1024 * 1024;
/** A sum that was not asked for in so many pictures is given to another layer. */
const IDLE_PICTURES = 3;

/** A light with what keeps it from part of a layer. */
export type Lit = readonly [MomentLight, Shades];

interface Kept {
  target: Target | null;
  /** What the target holds; null while nothing was summed. */
  summed: Map<MomentLight, unknown> | null;
  /** The lights of the last picture, to see which stand still. */
  last: Map<MomentLight, unknown>;
  view: string;
  /** The picture that last asked. */
  asked: number;
}

export interface Parted {
  /** Lights that the kept sum holds; none where there is no sum. */
  kept: Target | null;
  /** Lights whose sum is to be made now, into `into`. */
  toSum: readonly Lit[];
  into: Target | null;
  /** Lights that are drawn as ever. */
  rest: readonly Lit[];
}

export class KeptSums {
  private readonly sums = new Map<MomentLayer, Kept>();
  /** Targets that no layer has just now: making them takes longer than drawing into them. */
  private readonly spare: Target[] = [];
  private made = 0;
  private picture = 0;

  constructor(
    private readonly device: Device,
    private readonly width: number,
    private readonly height: number,
  ) {}

  /** To be called once a picture: layers that were not asked for give back what they had. */
  tidy(): void {
    this.picture++;
    for (const [layer, kept] of this.sums) {
      if (this.picture - kept.asked <= IDLE_PICTURES) continue;
      this.giveBack(kept);
      this.sums.delete(layer);
    }
  }

  /**
   * Parts the lights of a layer into those whose sum is kept, or should be from now on, and the others.
   * @param uploads how often pictures were brought to the GPU: another picture may face another way
   */
  part(layer: MomentLayer, lights: readonly Lit[], view: View, uploads: number): Parted {
    const key = `${view.x} ${view.y} ${view.outputPerScenePx} ${uploads}`;
    let own = this.sums.get(layer);
    if (!own || own.view !== key) {
      if (own) this.giveBack(own);
      own = { target: null, summed: null, last: new Map(), view: key, asked: 0 };
      this.sums.set(layer, own);
    }
    own.asked = this.picture;
    const now = new Map(lights.map(([light, { mask }]) => [light, mask?.target ?? null] as const));
    const stands = ([light, { mask, casts }]: Lit) =>
      casts === null && own.last.has(light) && own.last.get(light) === (mask?.target ?? null);
    const still = lights.filter(stands);
    own.last = now;
    const { summed } = own;
    const holds =
      summed !== null &&
      [...summed].every(([light, mask]) => now.has(light) && now.get(light) === mask) &&
      2 * summed.size >= still.length;
    if (holds && own.target) {
      const rest = lights.filter(([light]) => !summed.has(light));
      return { kept: own.target, toSum: [], into: null, rest };
    }
    own.summed = null;
    if (still.length < FEWEST) return { kept: null, toSum: [], into: null, rest: lights };
    own.target ??= this.make();
    if (!own.target) return { kept: null, toSum: [], into: null, rest: lights };
    own.summed = new Map(still.map(([light, { mask }]) => [light, mask?.target ?? null]));
    const inSum = own.summed;
    return {
      kept: null,
      toSum: still,
      into: own.target,
      rest: lights.filter(([light]) => !inSum.has(light)),
    };
  }

  dispose(): void {
    for (const kept of this.sums.values()) this.giveBack(kept);
    for (const target of this.spare) this.device.dropTarget(target);
  }

  /** A target for a sum; null where others have all that may be. */
  private make(): Target | null {
    const { width, height } = this;
    const spare = this.spare.pop();
    if (spare) return spare;
    const bytes = width * height * this.device.floats.bytesPerPixel;
    if ((this.made + 1) * bytes > BUDGET_BYTES) return null;
    this.made++;
    return this.device.target(width, height, 'float');
  }

  private giveBack(kept: Kept): void {
    if (kept.target) this.spare.push(kept.target);
    kept.target = null;
    kept.summed = null;
  }
}
