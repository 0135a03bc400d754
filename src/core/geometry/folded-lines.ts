/**
 * Lines that run back over themselves, each stretch kept once. What adds up what edges cover (as the graphics card does for
 * soft shadows) would count such a stretch twice. O(n^2) in the segments of one occluder, most told apart by their boxes.
 */
import type { Edges } from './outline';

/** Two stretches nearer to each other than this are one line: a tenth of what a screen could show. */
const NEAR_PX = 0.005;

/** A segment, flat [ax, ay, bx, by]. */
type Segment = readonly [number, number, number, number];

/** @param edges segments of open lines, flat @returns segments of which no two run along each other */
export function withoutFolds(edges: Edges): Edges {
  const kept: Segment[] = [];
  let isFolded = false;
  for (let i = 0; i < edges.length; i += 4) {
    const whole: Segment = [edges[i], edges[i + 1], edges[i + 2], edges[i + 3]];
    let rest = [whole];
    for (let k = 0; k < kept.length && rest.length > 0; k++) {
      const other = kept[k];
      if (rest.some((part) => isNear(part, other))) rest = rest.flatMap((part) => beyond(part, other));
    }
    isFolded ||= rest[0] !== whole;
    kept.push(...rest);
  }
  return isFolded ? Float64Array.from(kept.flat()) : edges;
}

function isNear([ax, ay, bx, by]: Segment, [cx, cy, dx, dy]: Segment): boolean {
  return (
    Math.max(ax, bx) >= Math.min(cx, dx) - NEAR_PX &&
    Math.min(ax, bx) <= Math.max(cx, dx) + NEAR_PX &&
    Math.max(ay, by) >= Math.min(cy, dy) - NEAR_PX &&
    Math.min(ay, by) <= Math.max(cy, dy) + NEAR_PX
  );
}

/** The parts of a segment along which another one does not run. */
function beyond(part: Segment, other: Segment): Segment[] {
  const [ax, ay, bx, by] = part;
  const [ux, uy] = [bx - ax, by - ay];
  const length = Math.sqrt(ux * ux + uy * uy);
  const along = (x: number, y: number) => ((x - ax) * ux + (y - ay) * uy) / length;
  const across = (x: number, y: number) => Math.abs((x - ax) * uy - (y - ay) * ux) / length;
  const [cx, cy, dx, dy] = other;
  const ends: [at: number, x: number, y: number][] = [
    [along(cx, cy), cx, cy],
    [along(dx, dy), dx, dy],
  ];
  ends.sort((p, q) => p[0] - q[0]);
  const [[from, fx, fy], [to, tx, ty]] = ends;
  if (Math.min(to, length) - Math.max(from, 0) <= NEAR_PX) return [part];
  // Where both run side by side they must be near at either end of that stretch.
  const isFar = [Math.max(from, 0), Math.min(to, length)].some((at) => {
    const t = (at - from) / (to - from);
    return across(fx + (tx - fx) * t, fy + (ty - fy) * t) > NEAR_PX;
  });
  if (isFar) return [part];
  const out: Segment[] = [];
  if (from > NEAR_PX) out.push([ax, ay, fx, fy]);
  if (to < length - NEAR_PX) out.push([tx, ty, bx, by]);
  return out;
}
