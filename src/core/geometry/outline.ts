import { applyTo, type Affine, type Box } from './affine';

/** A closed outline as flat points [x0, y0, x1, y1, ...], without the first point again at the end. */
export type Outline = readonly number[];

/** Directed edges, flat [ax, ay, bx, by, ...]. Of a closed outline the interior is where `sideOf` is below zero. */
export type Edges = Float64Array;

/** Twice the signed area of triangle a, b, p; below zero where p lies to the left of a->b as seen (y down). */
export function sideOf(ax: number, ay: number, bx: number, by: number, px: number, py: number): number {
  return (bx - ax) * (py - ay) - (by - ay) * (px - ax);
}

/** Twice the signed area of a closed outline; below zero where its interior lies to the left, as seen. */
export function signedArea2(points: Outline): number {
  let sum = 0;
  for (let i = 0; i < points.length; i += 2) {
    const j = (i + 2) % points.length;
    sum += points[i] * points[j + 1] - points[j] * points[i + 1];
  }
  return sum;
}

/** Points under a map, to hundredths of a px. */
export function mappedPoints(points: Outline, map: Affine): number[] {
  const out: number[] = [];
  for (let i = 0; i < points.length; i += 2) out.push(...applyTo(map, points[i], points[i + 1]));
  return out.map((v) => Math.round(v * 100) / 100);
}

/** The directed edges of closed outlines. */
export function edgesOfClosed(outlines: readonly Outline[]): Edges {
  const count = outlines.reduce((sum, points) => sum + points.length / 2, 0);
  const edges = new Float64Array(count * 4);
  let at = 0;
  for (const points of outlines) {
    for (let i = 0; i < points.length; i += 2) {
      const j = (i + 2) % points.length;
      edges[at++] = points[i];
      edges[at++] = points[i + 1];
      edges[at++] = points[j];
      edges[at++] = points[j + 1];
    }
  }
  return edges;
}

/** The edges of an open line; edges of no length are left out. */
export function edgesOfLine(points: Outline): Edges {
  const edges: number[] = [];
  for (let i = 0; i + 3 < points.length; i += 2) {
    const [ax, ay, bx, by] = [points[i], points[i + 1], points[i + 2], points[i + 3]];
    if (ax !== bx || ay !== by) edges.push(ax, ay, bx, by);
  }
  return Float64Array.from(edges);
}

/** Whether a point is inside by the even-odd rule; half open, so that a point on a shared border is in one side only. */
export function isInside(edges: Edges, px: number, py: number): boolean {
  let inside = false;
  for (let i = 0; i < edges.length; i += 4) {
    const ay = edges[i + 1];
    const by = edges[i + 3];
    if (ay <= py === by <= py) continue;
    const side = sideOf(edges[i], ay, edges[i + 2], by, px, py);
    if (side > 0 === by > ay) inside = !inside;
  }
  return inside;
}

/** Distance of p from the segment a, b. */
export function distanceToSegment(
  px: number,
  py: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): number {
  const dx = bx - ax;
  const dy = by - ay;
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((px - ax) * dx + (py - ay) * dy) / length2));
  const ex = ax + t * dx - px;
  const ey = ay + t * dy - py;
  return Math.sqrt(ex * ex + ey * ey);
}

/**
 * A closed outline with fewer points, none of the dropped ones farther than `tolerancePx` from the result
 * (Douglas and Peucker 1973), started at the two points farthest apart along x so that no corner is lost.
 */
export function simplifyOutline(points: Outline, tolerancePx: number): number[] {
  const count = points.length / 2;
  if (count <= 3 || tolerancePx <= 0) return [...points];
  let low = 0;
  let high = 0;
  for (let i = 1; i < count; i++) {
    if (before(points, i, low)) low = i;
    if (before(points, high, i)) high = i;
  }
  const keep = new Uint8Array(count);
  keep[low] = 1;
  keep[high] = 1;
  const spans: [number, number][] = [
    [low, high],
    [high, low],
  ];
  while (spans.length > 0) {
    const [from, to] = spans.pop()!;
    let worst = tolerancePx;
    let worstAt = -1;
    for (let i = (from + 1) % count; i !== to; i = (i + 1) % count) {
      const away = distanceToSegment(
        points[2 * i],
        points[2 * i + 1],
        points[2 * from],
        points[2 * from + 1],
        points[2 * to],
        points[2 * to + 1],
      );
      if (away > worst) [worst, worstAt] = [away, i];
    }
    if (worstAt < 0) continue;
    keep[worstAt] = 1;
    spans.push([from, worstAt], [worstAt, to]);
  }
  const out: number[] = [];
  for (let i = 0; i < count; i++) if (keep[i]) out.push(points[2 * i], points[2 * i + 1]);
  return out;
}

function before(points: Outline, i: number, j: number): boolean {
  return (
    points[2 * i] < points[2 * j] ||
    (points[2 * i] === points[2 * j] && points[2 * i + 1] < points[2 * j + 1])
  );
}

/** The smallest box that holds all edges; turned inside out where there is none. */
export function boxOfEdges(edges: Float64Array): Box {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (let i = 0; i < edges.length; i += 2) {
    box.left = Math.min(box.left, edges[i]);
    box.right = Math.max(box.right, edges[i]);
    box.top = Math.min(box.top, edges[i + 1]);
    box.bottom = Math.max(box.bottom, edges[i + 1]);
  }
  return box;
}
