/**
 * How much of a light comes through to a point. An occluder stops a ray where it leaves it, so that the caster itself
 * stays lit; see docs/light.md. The same on the GPU is in gpu/shaders/shadow.ts.
 */
import type { Box } from '../geometry/affine';
import { isInside } from '../geometry/outline';
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
const CENTRE_ONLY: readonly (readonly [number, number])[] = [[0, 0]];
export const FOUR_PLACES: readonly (readonly [number, number])[] = [
  [-0.125, -0.375],
  [0.375, -0.125],
  [0.125, 0.375],
  [-0.375, 0.125],
];

/** The way from a point to a light: its frame has z toward the light and x across. */
interface Ray {
  px: number;
  py: number;
  wx: number;
  wy: number;
  /** To the light, or FARTHEST_PX. */
  distance: number;
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

  constructor(private readonly moment: Moment) {}

  /** At an output pixel whose centre is at scene place (px, py). */
  at(light: MomentLight, px: number, py: number): Float64Array {
    const { moment, seen, sum } = this;
    seen.fill(1);
    if (light.occluders.length === 0) return seen;
    // Whether a point lies in its own shade is asked at the pixel's centre alone, like on the GPU.
    const within = light.occluders.filter((i) => isWithin(moment.occluders[i], px, py));
    if (light.size > 0) {
      this.soft(light, px, py, within);
    } else {
      const places = moment.pixelArt ? CENTRE_ONLY : FOUR_PLACES;
      const step = 1 / moment.view.outputPerScenePx;
      sum.fill(0);
      for (const [ox, oy] of places) {
        seen.fill(1);
        this.hard(light, px + ox * step, py + oy * step, within);
        for (let c = 0; c < 3; c++) sum[c] += seen[c];
      }
      for (let c = 0; c < 3; c++) seen[c] = sum[c] / places.length;
    }
    return seen;
  }

  private hard(light: MomentLight, px: number, py: number, within: readonly number[]): void {
    const { moment, seen } = this;
    for (const index of light.occluders) {
      const occluder = moment.occluders[index];
      if (!this.aim(sourceFor(light, occluder), px, py)) continue;
      // A lamp upon an edge is not stopped by it, whatever rounding says of where they meet.
      const upTo = this.ray.distance - NEAREST_EDGE_PX;
      const farthest = Math.min(upTo, farthestOf(light, occluder, this.ray.distance));
      const isStopped =
        this.stops(occluder.pieces, !occluder.closed, farthest) ||
        (within.includes(index) && this.stops(occluder.inner, true, farthest));
      if (!isStopped) continue;
      const { transmits } = occluder;
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
    if (length < 1e-12) return false;
    ray.px = px;
    ray.py = py;
    ray.wx = dx / length;
    ray.wy = dy / length;
    ray.distance = source.parallel ? FARTHEST_PX : length;
    return true;
  }

  private stops(pieces: readonly EdgePiece[], bothSides: boolean, farthest: number): boolean {
    const { px, py, wx, wy } = this.ray;
    return pieces.some(
      ({ edges, box }) =>
        mayMeet(box, this.ray, farthest, 0) && stopsRay(edges, bothSides, px, py, wx, wy, farthest),
    );
  }

  private soft(light: MomentLight, px: number, py: number, within: readonly number[]): void {
    const { moment, chord, seen } = this;
    chord.clear();
    for (const index of light.occluders) {
      const occluder = moment.occluders[index];
      if (!this.aim(sourceFor(light, occluder), px, py)) continue;
      for (const piece of occluder.pieces) this.project(piece, !occluder.closed, light, occluder, index);
      if (!within.includes(index)) continue;
      for (const piece of occluder.inner) this.project(piece, true, light, occluder, index);
    }
    chord.seen((index) => moment.occluders[index].transmits, seen);
  }

  /** Adds what edges stop of the chord. */
  private project(
    { edges, box }: EdgePiece,
    bothSides: boolean,
    light: MomentLight,
    occluder: MomentOccluder,
    index: number,
  ): void {
    const { px, py, wx, wy, distance } = this.ray;
    const { parallel } = light.source;
    const farthest = farthestOf(light, occluder, distance);
    // The chord is as far away as the light; of a parallel one it is the tangent of the angle that counts.
    const scale = (parallel ? 1 : distance) / light.size;
    if (!mayMeet(box, this.ray, farthest, 1 / scale)) return;
    const heights = heightsOf(sourceFor(light, occluder), light.size);
    for (let i = 0; i < edges.length; i += 4) {
      if (!metChord(edges, i, bothSides, px, py, wx, wy, farthest, scale, this.met)) continue;
      const [from, to, depth] = this.met;
      const { staturePx } = occluder;
      const weight = staturePx === null ? 1 : weightAt(staturePx, parallel ? 1 : distance, depth, heights);
      this.chord.add(from, to, weight, index);
    }
  }
}

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
function sourceFor({ source, groundSource }: MomentLight, { staturePx }: MomentOccluder): MomentSource {
  return staturePx === null ? source : (groundSource ?? source);
}

function farthestOf(light: MomentLight, occluder: MomentOccluder, distance: number): number {
  const { staturePx } = occluder;
  if (staturePx === null) return distance;
  const source = sourceFor(light, occluder);
  return farthestStop(staturePx, distance, heightsOf(source, light.size)[0], source.parallel);
}

/** Whether a point lies within an occluder that stands in its own shade: by the even-odd rule over all its pieces. */
export function isWithin({ inner, pieces, box }: MomentOccluder, x: number, y: number): boolean {
  if (inner.length === 0 || x < box.left || x > box.right || y < box.top || y > box.bottom) return false;
  return pieces.reduce((inside, { edges }) => inside !== isInside(edges, x, y), false);
}
