/**
 * How much of a light comes through to a point. An occluder stops a ray where it leaves it, so that the caster itself
 * stays lit; see docs/light.md. The same on the GPU is in gpu/shaders/shadow.ts.
 */
import type { Box } from '../geometry/affine';
import { isInside } from '../geometry/outline';
import type { Rgb } from '../raster/colour';
import type { EdgePiece, Moment, MomentLight, MomentOccluder, MomentSource } from '../moment/moment';
import { Chord } from './chord';
import { farthestStop, heightsOf, weightAt } from './terms/stature';
import { metChord, NEAREST_EDGE_PX, stopsRay } from './terms/shadow-edge';

/** Parallel light comes from so far away. */
export const FARTHEST_PX = 1e7;

/** Boxes are taken larger by this, so that rounding passes nothing over. */
const MARGIN_PX = 0.01;

/**
 * Where within an output pixel hard visibility is taken. Pixel art: its centre alone, for crisp steps. Painted art: four
 * places of a turned square, whose mean smooths the edge.
 */
export const FOUR_PLACES: readonly (readonly [number, number])[] = [
  [-0.125, -0.375],
  [0.375, -0.125],
  [0.125, 0.375],
  [-0.375, 0.125],
];
const FOUR_X = Float64Array.from(FOUR_PLACES, ([x]) => x);
const FOUR_Y = Float64Array.from(FOUR_PLACES, ([, y]) => y);

/** The way from a point to a light: its frame has z toward the light and x across. */
interface Ray {
  px: number;
  py: number;
  wx: number;
  wy: number;
  /** To the light, or FARTHEST_PX. */
  distance: number;
}

/** An occluder as it stands to one light. */
interface Stop {
  index: number;
  occluder: MomentOccluder;
  closed: boolean;
  transmits: Rgb | null;
  staturePx: number | null;
  pieces: readonly EdgePiece[];
  inner: readonly EdgePiece[];
  /** Where the light comes from that it stops, and how high that is; see `heightsOf`. */
  source: MomentSource;
  heights: readonly [low: number, span: number];
  /** Whether the point that is asked for lies in its own shade. */
  isWithin: boolean;
}

/**
 * Visibility of lights from points, per channel: how much comes past the occluders, before the light's own shadow colour and
 * opacity. What it finds is overwritten by the next.
 */
export class Visibility {
  readonly seen = new Float64Array(3);
  private readonly chord = new Chord();
  private readonly sum = new Float64Array(3);
  /** What an edge covers of the chord: from, to, and the depth of the middle. */
  private readonly met = new Float64Array(3);
  private readonly ray: Ray = { px: 0, py: 0, wx: 0, wy: 0, distance: 0 };
  /** The light that was asked for last, and what stops it. */
  private last: { light: MomentLight; stops: Stop[] } | null = null;
  private readonly transmits = (index: number): Rgb | null => this.moment.occluders[index].transmits;

  constructor(private readonly moment: Moment) {}

  /** At an output pixel whose centre is at scene place (px, py). */
  at(light: MomentLight, px: number, py: number): Float64Array {
    const { moment, seen, sum } = this;
    seen[0] = seen[1] = seen[2] = 1;
    const stops = this.last?.light === light ? this.last.stops : this.prepare(light);
    if (stops.length === 0) return seen;
    // Whether a point lies in its own shade is asked at the pixel's centre alone, like on the GPU.
    for (const stop of stops) stop.isWithin = stop.inner.length > 0 && isWithin(stop.occluder, px, py);
    if (light.size > 0) {
      this.soft(light, stops, px, py);
      return seen;
    }
    if (moment.pixelArt) {
      this.hard(stops, px, py);
      return seen;
    }
    const step = 1 / moment.view.outputPerScenePx;
    sum[0] = sum[1] = sum[2] = 0;
    for (let k = 0; k < FOUR_X.length; k++) {
      seen[0] = seen[1] = seen[2] = 1;
      this.hard(stops, px + FOUR_X[k] * step, py + FOUR_Y[k] * step);
      for (let c = 0; c < 3; c++) sum[c] += seen[c];
    }
    for (let c = 0; c < 3; c++) seen[c] = sum[c] / FOUR_X.length;
    return seen;
  }

  private prepare(light: MomentLight): Stop[] {
    const stops = light.occluders.map((index): Stop => {
      const occluder = this.moment.occluders[index];
      const { closed, transmits, staturePx, pieces, inner } = occluder;
      const source = sourceFor(light, occluder);
      const heights = staturePx === null ? NO_HEIGHTS : heightsOf(source, light.size);
      return {
        index,
        occluder,
        closed,
        transmits,
        staturePx,
        pieces,
        inner,
        source,
        heights,
        isWithin: false,
      };
    });
    this.last = { light, stops };
    return stops;
  }

  private hard(stops: readonly Stop[], px: number, py: number): void {
    const { seen, ray } = this;
    let aimedAt: MomentSource | null = null;
    let isAimed = false;
    for (const stop of stops) {
      if (stop.source !== aimedAt) isAimed = this.aim((aimedAt = stop.source), px, py);
      if (!isAimed) continue;
      // A lamp upon an edge is not stopped by it, whatever rounding says of where they meet.
      const farthest = Math.min(ray.distance - NEAREST_EDGE_PX, farthestOf(stop, ray.distance));
      const isStopped =
        this.stops(stop.pieces, !stop.closed, farthest) ||
        (stop.isWithin && this.stops(stop.inner, true, farthest));
      if (!isStopped) continue;
      const { transmits } = stop;
      for (let c = 0; c < 3; c++) seen[c] *= transmits ? transmits[c] : 0;
      if (!transmits) return;
    }
  }

  /** @returns whether there is a way at all: none at the light itself, nor for one straight above */
  private aim(source: MomentSource, px: number, py: number): boolean {
    const { ray } = this;
    const dx = source.parallel ? source.x : source.x - px;
    const dy = source.parallel ? source.y : source.y - py;
    const length = Math.sqrt(dx * dx + dy * dy);
    if (length < SHORTEST_WAY) return false;
    ray.px = px;
    ray.py = py;
    ray.wx = dx / length;
    ray.wy = dy / length;
    ray.distance = source.parallel ? FARTHEST_PX : length;
    return true;
  }

  private stops(pieces: readonly EdgePiece[], bothSides: boolean, farthest: number): boolean {
    const { ray } = this;
    for (const { edges, box } of pieces) {
      if (edges.length > FEW_EDGES && !mayMeet(box, ray, farthest, 0)) continue;
      if (stopsRay(edges, bothSides, ray.px, ray.py, ray.wx, ray.wy, farthest)) return true;
    }
    return false;
  }

  private soft(light: MomentLight, stops: readonly Stop[], px: number, py: number): void {
    const { chord, seen } = this;
    chord.clear();
    let aimedAt: MomentSource | null = null;
    let isAimed = false;
    for (const stop of stops) {
      if (stop.source !== aimedAt) isAimed = this.aim((aimedAt = stop.source), px, py);
      if (!isAimed) continue;
      for (const piece of stop.pieces) this.project(piece, !stop.closed, light, stop);
      if (!stop.isWithin) continue;
      for (const piece of stop.inner) this.project(piece, true, light, stop);
    }
    chord.seen(this.transmits, seen);
  }

  /** Adds what edges stop of the chord. */
  private project({ edges, box }: EdgePiece, bothSides: boolean, light: MomentLight, stop: Stop): void {
    const { ray, met, chord } = this;
    const { px, py, wx, wy, distance } = ray;
    const { parallel } = light.source;
    const { staturePx, heights, index } = stop;
    const farthest = farthestOf(stop, distance);
    // The chord is as far away as the light; of a parallel one it is the tangent of the angle that counts.
    const scale = (parallel ? 1 : distance) / light.size;
    if (edges.length > FEW_EDGES && !mayMeet(box, ray, farthest, 1 / scale)) return;
    for (let i = 0; i < edges.length; i += 4) {
      if (!metChord(edges, i, bothSides, px, py, wx, wy, farthest, scale, met)) continue;
      const weight = staturePx === null ? 1 : weightAt(staturePx, parallel ? 1 : distance, met[2], heights);
      chord.add(met[0], met[1], weight, index);
    }
  }
}

/** Numbers of pieces of so few edges are not held against their box first: an edge costs as much. */
const FEW_EDGES = 4 * 4;
/** A light so near, scene px, comes from nowhere. */
const SHORTEST_WAY = 1e-12;
const NO_HEIGHTS = [0, 0] as const;

/**
 * Whether anything within a box can lie on the way to the light: most is passed over by this alone.
 * @param spread how wide the way is to either side, for each px of its length
 */
function mayMeet({ left, top, right, bottom }: Box, ray: Ray, farthest: number, spread: number): boolean {
  const { px, py, wx, wy } = ray;
  const [x, y] = [(left + right) / 2 - px, (top + bottom) / 2 - py];
  const [halfWidth, halfHeight] = [(right - left) / 2 + MARGIN_PX, (bottom - top) / 2 + MARGIN_PX];
  const along = wx * x + wy * y;
  const reach = Math.abs(wx) * halfWidth + Math.abs(wy) * halfHeight;
  if (along + reach <= 0 || along - reach >= farthest) return false;
  const across = Math.abs(wx * y - wy * x) - Math.abs(wx) * halfHeight - Math.abs(wy) * halfWidth;
  return across <= spread * Math.min(along + reach, farthest);
}

/** Where the light comes from that an occluder stops: over the ground, where it has a stature. */
export function sourceFor(
  { source, groundSource }: MomentLight,
  { staturePx }: MomentOccluder,
): MomentSource {
  return staturePx === null ? source : (groundSource ?? source);
}

function farthestOf({ staturePx, heights, source }: Stop, distance: number): number {
  return staturePx === null ? distance : farthestStop(staturePx, distance, heights[0], source.parallel);
}

/** Whether a point lies within an occluder that stands in its own shade: by the even-odd rule over all its pieces. */
export function isWithin({ inner, pieces, box }: MomentOccluder, x: number, y: number): boolean {
  if (inner.length === 0 || x < box.left || x > box.right || y < box.top || y > box.bottom) return false;
  return pieces.reduce((inside, { edges }) => inside !== isInside(edges, x, y), false);
}
