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

/** A light with what keeps it from part of a layer. */
export type Lit = readonly [MomentLight, Shades];

interface Kept {
  target: Target | null;
  /** What the target holds; null while nothing was summed. */
  summed: Map<MomentLight, unknown> | null;
  /** The lights of the last picture, to see which stand still. */
  last: Map<MomentLight, unknown>;
  view: string;
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
  private sums = new WeakMap<MomentLayer, Kept>();
  private owned = new Set<Target>();
  private bytes = 0;

  constructor(private readonly device: Device) {}

  /**
   * Parts the lights of a layer into those whose sum is kept, or should be from now on, and the others.
   * @param uploads how often pictures were brought to the GPU: another picture may face another way
   */
  part(
    layer: MomentLayer,
    lights: readonly Lit[],
    view: View,
    { width, height }: { width: number; height: number },
    uploads: number,
  ): Parted {
    const key = `${view.x} ${view.y} ${view.outputPerScenePx} ${width} ${height} ${uploads}`;
    let own = this.sums.get(layer);
    if (!own || own.view !== key) {
      if (own?.target) this.drop(own.target);
      own = { target: null, summed: null, last: new Map(), view: key };
      this.sums.set(layer, own);
    }
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
    own.target ??= this.make(width, height);
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

  /** Lets go of all, as when the picture's size changes. */
  clear(): void {
    for (const target of [...this.owned]) this.drop(target);
    this.sums = new WeakMap();
  }

  private make(width: number, height: number): Target | null {
    const bytes = width * height * this.device.floats.bytesPerPixel;
    if (this.bytes + bytes > BUDGET_BYTES) {
      // Layers that are gone leave theirs behind: all begin anew.
      if (bytes > BUDGET_BYTES) return null;
      this.clear();
    }
    const target = this.device.target(width, height, 'float');
    this.owned.add(target);
    this.bytes += target.bytes;
    return target;
  }

  private drop(target: Target): void {
    if (!this.owned.delete(target)) return;
    this.bytes -= target.bytes;
    this.device.dropTarget(target);
  }
}
