/** What one edge stops of the light on its way to a point: a ray, or a part of the chord that shines. */
import { sideOf } from '../../geometry/outline';

/**
 * An edge closer to the point than this does not stop its light, or every border pixel would shade itself; nor one closer to a
 * light without size, or a lamp upon a wall would speckle it.
 */
export const NEAREST_EDGE_PX = 0.01;
/**
 * Whether any edge lies across the way from p to the light. In p's frame z runs toward the light and x across; an
 * end with x < 0 lies on one side, all others on the other, so that of two edges with a shared corner exactly one
 * is met and nothing leaks between them.
 */
export function stopsRay(
  edges: Float64Array,
  bothSides: boolean,
  px: number,
  py: number,
  wx: number,
  wy: number,
  distance: number,
): boolean {
  for (let i = 0; i < edges.length; i += 4) {
    const ax = edges[i] - px;
    const ay = edges[i + 1] - py;
    const bx = edges[i + 2] - px;
    const by = edges[i + 3] - py;
    const acrossA = wx * ay - wy * ax;
    const acrossB = wx * by - wy * bx;
    if (acrossA < 0 === acrossB < 0) continue;
    const alongA = wx * ax + wy * ay;
    const alongB = wx * bx + wy * by;
    const z = alongA + ((alongB - alongA) * acrossA) / (acrossA - acrossB);
    if (z <= NEAREST_EDGE_PX || z >= distance) continue;
    // p on the outer side: the ray leaves the occluder here.
    if (bothSides || acrossA < 0) return true;
  }
  return false;
}

/**
 * What edge i stops of the chord, which runs from -1 to 1.
 * @param wx,wy the way from p to the light, of length 1
 * @param farthest edges beyond it stop nothing
 * @param scale the chord's distance as a multiple of its half length
 * @param out from, to, and how far away the edge is at their middle; overwritten
 * @returns whether it stops any of it
 */
export function metChord(
  edges: Float64Array,
  i: number,
  bothSides: boolean,
  px: number,
  py: number,
  wx: number,
  wy: number,
  farthest: number,
  scale: number,
  out: Float64Array,
): boolean {
  if (!bothSides && sideOf(edges[i], edges[i + 1], edges[i + 2], edges[i + 3], px, py) <= 0) return false;
  const ax = edges[i] - px;
  const ay = edges[i + 1] - py;
  const bx = edges[i + 2] - px;
  const by = edges[i + 3] - py;
  let xa = wx * ay - wy * ax;
  let za = wx * ax + wy * ay;
  let xb = wx * by - wy * bx;
  let zb = wx * bx + wy * by;
  if (za > zb) [xa, za, xb, zb] = [xb, zb, xa, za];
  if (zb <= NEAREST_EDGE_PX || za >= farthest) return false;
  const slope = zb > za ? (xb - xa) / (zb - za) : 0;
  if (za < NEAREST_EDGE_PX) [xa, za] = [xa + slope * (NEAREST_EDGE_PX - za), NEAREST_EDGE_PX];
  if (zb > farthest) [xb, zb] = [xa + slope * (farthest - za), farthest];
  const s = (xa / za) * scale;
  const t = (xb / zb) * scale;
  const from = Math.max(-1, Math.min(s, t));
  const to = Math.min(1, Math.max(s, t));
  if (to <= from) return false;
  out[0] = from;
  out[1] = to;
  out[2] = depthAt((from + to) / 2 / scale, xa, za, xb, zb);
  return true;
}

/** Depth at which a ray of slope x / z meets the segment between two places of the frame. */
function depthAt(slope: number, xa: number, za: number, xb: number, zb: number): number {
  const across = xb - xa - slope * (zb - za);
  if (across === 0) return za;
  return za + ((slope * za - xa) / across) * (zb - za);
}
