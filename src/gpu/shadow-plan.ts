/**
 * What a shadow mask is drawn from, and the key that names all of it: masks of one key have the same pixels. A light's reach
 * goes into it by steps, so that a trembling one comes back to masks that are there.
 */
import type { Box } from '@/core/geometry/affine';
import type { EdgePiece, Moment, MomentLight, MomentOccluder, MomentPlane, View } from '@/core/moment/moment';
import { outputBox } from './output-box';
import { isNear, type LitArea } from './shadow-edges';

/** Masks are drawn for the next step of reach: each is longer than the last by this. */
const REACH_STEP = 1.15;

export interface ShadowPlan {
  /** Names everything that the mask depends on. */
  key: string;
  light: MomentLight;
  plane: MomentPlane;
  area: LitArea;
  /** The occluders that may stop it. */
  occluders: readonly MomentOccluder[];
  /** Output pixels: left, top, right, bottom. */
  pixels: readonly [number, number, number, number];
}

export class ShadowPlanner {
  private readonly numbers = new WeakMap<EdgePiece, number>();
  private count = 0;
  private plans = new Map<MomentLight, Map<string, ShadowPlan | null>>();
  private moment: Moment | null = null;

  /** To be called before a picture: its lights are planned once each. */
  begin(moment: Moment): void {
    this.moment = moment;
    this.plans = new Map();
  }

  /** To be called when a picture is through. */
  end(): void {
    this.moment = null;
    this.plans = new Map();
  }

  /** The mask of a light on a plane (its blocks lie on the plane's own cells); null where nothing in view is stopped. */
  planFor(light: MomentLight, plane: MomentPlane): ShadowPlan | null {
    let own = this.plans.get(light);
    if (!own) this.plans.set(light, (own = new Map()));
    const cells = light.blockPx === 0 ? '' : `${plane.originX} ${plane.originY}`;
    let plan = own.get(cells);
    if (plan === undefined) own.set(cells, (plan = this.made(this.moment!, light, plane, cells)));
    return plan;
  }

  private made(moment: Moment, light: MomentLight, plane: MomentPlane, cells: string): ShadowPlan | null {
    const area = litArea(light);
    const near = light.occluders
      .map((i) => moment.occluders[i])
      .filter((one) => isNear(light, one, area.box));
    const pixels = near.length > 0 ? litPixels(moment.view, area.box) : null;
    if (!pixels) return null;
    const key = [
      ...viewNumbers(moment),
      ...sourceNumbers(light),
      light.blockPx,
      cells,
      ...Object.values(area.box),
      ...(area.reachPx === null ? [] : [light.x, light.y, area.reachPx, light.squash >= 1]),
      ...near.map((one) => this.name(light, one, area.box)),
    ].join(' ');
    return { key, light, plane, area, occluders: near, pixels };
  }

  /** Names an occluder as far as it matters to a light. */
  private name(light: MomentLight, occluder: MomentOccluder, lit: Box): string {
    const { closed, pieces, inner, transmits, staturePx } = occluder;
    // Whether a place lies within the outline is asked of all of it.
    const asked = inner.length > 0 ? pieces : pieces.filter((piece) => isNear(light, piece, lit));
    const list = (all: readonly EdgePiece[]) => all.map((piece) => this.number(piece)).join(',');
    const own = inner === pieces ? 'whole' : list(inner);
    return `${closed ? 'c' : 'l'}${list(asked)}|${own}|${staturePx ?? ''}|${transmits?.join(',') ?? ''}`;
  }

  /** Pieces are never changed, so that an object stands for its edges. */
  private number(piece: EdgePiece): number {
    let number = this.numbers.get(piece);
    if (number === undefined) this.numbers.set(piece, (number = this.count++));
    return number;
  }
}

function viewNumbers({ view, pixelArt }: Moment): unknown[] {
  return [view.x, view.y, view.outputPerScenePx, view.widthPx, view.heightPx, pixelArt];
}

function sourceNumbers({ source, groundSource, size }: MomentLight): unknown[] {
  const numbers = [source, groundSource].flatMap((one) => (one ? Object.values(one) : []));
  return [...numbers, size];
}

/** The reach of a light brought to the next step: the same for all reaches between two steps. */
function steppedReach(reachPx: number): number {
  let step = Math.pow(REACH_STEP, Math.ceil(Math.log(reachPx) / Math.log(REACH_STEP)));
  // Rounding may leave it a little short.
  while (step < reachPx) step *= REACH_STEP;
  return step;
}

export function litArea({ box, figure, reachPx, x, y, squash }: MomentLight): LitArea {
  if (figure !== 'round' && figure !== 'cone') return { box, reachPx: null };
  const reach = steppedReach(reachPx);
  return {
    box: { left: x - reach, top: y - reach / squash, right: x + reach, bottom: y + reach / squash },
    reachPx: reach,
  };
}

/** The output pixels of what is lit: left, top, right, bottom; null where none of it is in view. */
export function litPixels(view: View, lit: Box): [number, number, number, number] | null {
  const scale = view.outputPerScenePx;
  const edge = view.x + view.widthPx / scale;
  const lower = view.y + view.heightPx / scale;
  return outputBox(view, {
    left: Math.max(lit.left, view.x - 1),
    top: Math.max(lit.top, view.y - 1),
    right: Math.min(lit.right, edge + 1),
    bottom: Math.min(lit.bottom, lower + 1),
  });
}
