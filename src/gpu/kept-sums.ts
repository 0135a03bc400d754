/**
 * The sum of lights that stand still, kept for each layer: where one light moves among many, only it is drawn anew. A sum
 * holds for the very same lights under the very same masks, over a layer that did not change, in the same view.
 */
import type { Moment, MomentLayer, MomentLight, PicturePixels } from '@/core/moment/moment';
import type { Device, Target } from './device';
import type { ShadowPlan } from './shadow-plan';

/** Fewer lights are drawn as quickly as their sum is copied. */
const FEWEST = 4;
/** A sum that was not asked for in so many pictures is given to another layer. */
const IDLE_PICTURES = 3;

/** A light with what keeps it from part of a layer. */
export interface Lit {
  light: MomentLight;
  /** The shadow that it stands in. */
  plan: ShadowPlan | null;
  /** Whether shapes of standing sprites lie in it, which are drawn anew for each picture. */
  hasCasts: boolean;
  /** The pixels of its gobo. */
  picture: PicturePixels | null;
}

/** What a light gives depends on the light itself, its shadow and the pixels of its gobo. */
type Given = readonly [shadow: string | null, picture: PicturePixels | null];

interface Kept {
  target: Target | null;
  /** What the target holds; null while nothing was summed. */
  summed: Map<MomentLight, Given> | null;
  /** The lights of the last picture, to see which stand still. */
  last: Map<MomentLight, Given>;
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
    /** Of all sums; beyond them layers go without. */
    private readonly budgetBytes: number,
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
   * @param pictureChanges how often pictures became other ones: another picture may face another way
   */
  part(
    layer: MomentLayer,
    lights: readonly Lit[],
    { view, pixelArt, lightSpace }: Pick<Moment, 'view' | 'pixelArt' | 'lightSpace'>,
    pictureChanges: number,
  ): Parted {
    const key = [view.x, view.y, view.outputPerScenePx, pixelArt, lightSpace, pictureChanges].join(' ');
    let own = this.sums.get(layer);
    if (!own || own.view !== key) {
      if (own) this.giveBack(own);
      own = { target: null, summed: null, last: new Map(), view: key, asked: 0 };
      this.sums.set(layer, own);
    }
    own.asked = this.picture;
    const now = new Map(lights.map((lit) => [lit.light, givenBy(lit)] as const));
    const still = lights.filter((lit) => !lit.hasCasts && isSameGiven(own.last.get(lit.light), givenBy(lit)));
    own.last = now;
    const { summed } = own;
    const holds =
      summed !== null &&
      [...summed].every(([light, given]) => isSameGiven(now.get(light), given)) &&
      2 * summed.size >= still.length;
    if (holds && own.target) {
      const rest = lights.filter(({ light }) => !summed.has(light));
      return { kept: own.target, toSum: [], into: null, rest };
    }
    own.summed = null;
    if (still.length < FEWEST) return { kept: null, toSum: [], into: null, rest: lights };
    own.target ??= this.make();
    if (!own.target) return { kept: null, toSum: [], into: null, rest: lights };
    own.summed = new Map(still.map((lit) => [lit.light, givenBy(lit)]));
    const inSum = own.summed;
    return {
      kept: null,
      toSum: still,
      into: own.target,
      rest: lights.filter(({ light }) => !inSum.has(light)),
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
    if ((this.made + 1) * bytes > this.budgetBytes) return null;
    this.made++;
    return this.device.target(width, height, 'float');
  }

  private giveBack(kept: Kept): void {
    if (kept.target) this.spare.push(kept.target);
    kept.target = null;
    kept.summed = null;
  }
}

function givenBy({ plan, picture }: Lit): Given {
  return [plan?.key ?? null, picture];
}

function isSameGiven(a: Given | undefined, b: Given): boolean {
  return a !== undefined && a[0] === b[0] && a[1] === b[1];
}
