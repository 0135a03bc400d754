/**
 * How much of a light comes through to a point: hard shadows of outlines. An occluder stops a ray where it leaves
 * it, so that the caster itself stays lit; see docs/light.md. The GPU's twin is in gpu/shaders/shadow.ts.
 */
import { isInside } from '../geometry/outline';
import type { Moment, MomentLight, MomentOccluder } from '../moment/moment';

/** An edge closer to the point than this does not stop its light, or every border pixel would shade itself. */
export const NEAREST_EDGE_PX = 0.01;

/**
 * Where within an output pixel visibility is taken. Pixel art: its centre alone, for crisp steps. Painted art: four
 * places of a turned square, whose mean smooths the edge.
 */
const CENTRE_ONLY: readonly (readonly [number, number])[] = [[0, 0]];
export const FOUR_PLACES: readonly (readonly [number, number])[] = [
  [-0.125, -0.375],
  [0.375, -0.125],
  [0.125, 0.375],
  [-0.375, 0.125],
];

/** Visibility 0..1 of a light from an output pixel whose centre is at scene place (px, py). */
export function visibility(moment: Moment, light: MomentLight, px: number, py: number): number {
  if (light.occluders.length === 0) return 1;
  const places = moment.pixelArt ? CENTRE_ONLY : FOUR_PLACES;
  const step = 1 / moment.view.outputPerScenePx;
  // Whether a point lies in its own shade is asked at the pixel's centre alone, like on the GPU.
  const inOwnShade = light.occluders.filter((i) => {
    const occluder = moment.occluders[i];
    return occluder.ownDark && withinBox(occluder, px, py) && isInsideOf(occluder, px, py);
  });
  let open = 0;
  for (const [ox, oy] of places) {
    if (!isStopped(moment, light, px + ox * step, py + oy * step, inOwnShade)) open++;
  }
  return open / places.length;
}

function withinBox({ box }: MomentOccluder, x: number, y: number): boolean {
  return x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
}

/** By the even-odd rule over all pieces, none of which need be closed by itself. */
function isInsideOf({ pieces }: MomentOccluder, x: number, y: number): boolean {
  return pieces.reduce((inside, { edges }) => inside !== isInside(edges, x, y), false);
}

function isStopped(
  moment: Moment,
  light: MomentLight,
  px: number,
  py: number,
  inOwnShade: number[],
): boolean {
  const dx = light.x - px;
  const dy = light.y - py;
  const distance = Math.sqrt(dx * dx + dy * dy);
  if (distance === 0) return false;
  for (const index of light.occluders) {
    const occluder = moment.occluders[index];
    const bothSides = !occluder.closed || inOwnShade.includes(index);
    for (const { edges } of occluder.pieces)
      if (stopsRay(edges, bothSides, px, py, dx / distance, dy / distance, distance)) return true;
  }
  return false;
}

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
