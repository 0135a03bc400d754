/** A second opinion on what a light sees: every direction that could matter is tried against every segment. */
import { expect } from 'vitest';
import { atan2, cos, sin } from '../exact';
import type { Bounds } from '../visibility';
import { isVisible } from './is-visible';

/** Area by the shoelace formula; below zero where the corners run against rising angles. */
export function polygonArea(points: ArrayLike<number>): number {
  let sum = 0;
  const [ox, oy] = points.length > 0 ? [points[0], points[1]] : [0, 0];
  for (let i = 0; i < points.length; i += 2) {
    const j = (i + 2) % points.length;
    sum += (points[i] - ox) * (points[j + 1] - oy) - (points[i + 1] - oy) * (points[j] - ox);
  }
  return sum / 2;
}

/** Decimal places to which areas within bounds agree. */
export function slack([minX, minY, maxX, maxY]: Bounds): number {
  const size = Math.max(maxX - minX, maxY - minY);
  const far = Math.max(Math.abs(minX), Math.abs(minY), Math.abs(maxX), Math.abs(maxY));
  // A place far out is rounded to some 1e-16 of its distance, and an area by that times its side.
  const error = size * (size * 1e-9 + far * 1e-13);
  let places = 9;
  for (let unit = 1e-9; unit < error; unit *= 10) places--;
  return places;
}

type Segment = [number, number, number, number];

function framed(walls: Float64Array, [minX, minY, maxX, maxY]: Bounds): Segment[] {
  const all: Segment[] = [
    [minX, minY, maxX, minY],
    [maxX, minY, maxX, maxY],
    [maxX, maxY, minX, maxY],
    [minX, maxY, minX, minY],
  ];
  for (let i = 0; i < walls.length; i += 4) all.push([walls[i], walls[i + 1], walls[i + 2], walls[i + 3]]);
  return all;
}

/** How far a ray goes; a segment that contains the light, or lies along the ray, stops nothing. */
function distanceAlong(
  all: readonly Segment[],
  x: number,
  y: number,
  dx: number,
  dy: number,
): [number, Segment | null] {
  let best = Infinity;
  let by: Segment | null = null;
  for (const segment of all) {
    const [ax, ay, bx, by_] = [segment[0] - x, segment[1] - y, segment[2] - x, segment[3] - y];
    const [ex, ey] = [segment[2] - segment[0], segment[3] - segment[1]];
    const turn = ax * ey - ay * ex;
    if (turn === 0) continue;
    const sideA = dx * ay - dy * ax;
    const sideB = dx * by_ - dy * bx;
    if (sideA > 0 === sideB > 0) continue;
    const t = turn / (dx * ey - dy * ex);
    if (t > 0 && t < best) [best, by] = [t, segment];
  }
  return [best, by];
}

/** The visible area, found by the nearest segment between all directions of ends and crossings. */
export function bruteArea(walls: Float64Array, x: number, y: number, bounds: Bounds): number {
  const [minX, minY, maxX, maxY] = bounds;
  if (!(x > minX && x < maxX && y > minY && y < maxY)) {
    // From the border the light is moved inward by next to nothing.
    const nudge = 1e-9 * Math.max(maxX - minX, maxY - minY);
    const inX = Math.min(maxX - nudge, Math.max(minX + nudge, x));
    const inY = Math.min(maxY - nudge, Math.max(minY + nudge, y));
    return bruteArea(withoutThrough(walls, x, y), inX, inY, bounds);
  }
  const all = framed(walls, bounds);
  const angles: number[] = [0, Math.PI / 2, Math.PI, -Math.PI / 2, -Math.PI];
  const add = (px: number, py: number) => angles.push(atan2(py - y, px - x));
  all.forEach(([ax, ay, bx, by], i) => {
    add(ax, ay);
    add(bx, by);
    for (const [cx, cy, dx, dy] of all.slice(0, i)) {
      const d = (bx - ax) * (dy - cy) - (by - ay) * (dx - cx);
      if (d === 0) continue;
      const t = ((cx - ax) * (dy - cy) - (cy - ay) * (dx - cx)) / d;
      if (t >= 0 && t <= 1) add(ax + t * (bx - ax), ay + t * (by - ay));
    }
  });
  angles.sort((p, q) => p - q);
  angles.push(angles[0] + 2 * Math.PI);
  let sum = 0;
  for (let i = 0; i + 1 < angles.length; i++) {
    const [from, to] = [angles[i], angles[i + 1]];
    if (to - from < 1e-13) continue;
    const middle = (from + to) / 2;
    const [, nearest] = distanceAlong(all, x, y, cos(middle), sin(middle));
    const reach = (angle: number) => {
      const [ax, ay] = [nearest![0] - x, nearest![1] - y];
      const [ex, ey] = [nearest![2] - nearest![0], nearest![3] - nearest![1]];
      return (ax * ey - ay * ex) / (cos(angle) * ey - sin(angle) * ex);
    };
    sum += (reach(from) * reach(to) * sin(to - from)) / 2;
  }
  return sum;
}

function withoutThrough(walls: Float64Array, x: number, y: number): Float64Array {
  const kept: number[] = [];
  for (let i = 0; i < walls.length; i += 4) {
    const [ax, ay, bx, by] = walls.subarray(i, i + 4);
    if ((bx - ax) * (y - ay) - (by - ay) * (x - ax) !== 0) kept.push(ax, ay, bx, by);
  }
  return Float64Array.from(kept);
}

/** The corners stand in angular order within the bounds, and points clear of the border are in it where they are seen. */
export function brutePolygonHolds(
  polygon: Float64Array,
  walls: Float64Array,
  x: number,
  y: number,
  [minX, minY, maxX, maxY]: Bounds,
): void {
  const size = Math.max(maxX - minX, maxY - minY);
  const hair = 1e-6 * size + 1e-12 * Math.max(Math.abs(maxX), Math.abs(minX), Math.abs(maxY), Math.abs(minY));
  for (let i = 0; i < polygon.length; i += 2) {
    expect(polygon[i] >= minX && polygon[i] <= maxX && polygon[i + 1] >= minY && polygon[i + 1] <= maxY).toBe(
      true,
    );
    const j = (i + 2) % polygon.length;
    const turn = (polygon[i] - x) * (polygon[j + 1] - y) - (polygon[i + 1] - y) * (polygon[j] - x);
    expect(turn).toBeGreaterThanOrEqual(-hair * size);
  }
  for (let k = 1; k <= 60; k++) {
    // Places of a low-discrepancy sequence (Roberts 2018).
    const px = minX + (maxX - minX) * ((0.5 + k * 0.7548776662466927) % 1);
    const py = minY + (maxY - minY) * ((0.5 + k * 0.5698402909980532) % 1);
    if (borderDistance(polygon, px, py) < hair) continue;
    expect([px, py, contains(polygon, px, py)]).toEqual([px, py, isVisible(walls, x, y, px, py)]);
  }
}

function borderDistance(polygon: Float64Array, px: number, py: number): number {
  let best = Infinity;
  for (let i = 0; i < polygon.length; i += 2) {
    const j = (i + 2) % polygon.length;
    const [ax, ay, ex, ey] = [
      polygon[i],
      polygon[i + 1],
      polygon[j] - polygon[i],
      polygon[j + 1] - polygon[i + 1],
    ];
    const length2 = ex * ex + ey * ey;
    const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((px - ax) * ex + (py - ay) * ey) / length2));
    const [wx, wy] = [ax + t * ex - px, ay + t * ey - py];
    best = Math.min(best, Math.sqrt(wx * wx + wy * wy));
  }
  return best;
}

function contains(polygon: Float64Array, px: number, py: number): boolean {
  let inside = false;
  for (let i = 0; i < polygon.length; i += 2) {
    const j = (i + 2) % polygon.length;
    const [ax, ay, bx, by] = [polygon[i], polygon[i + 1], polygon[j], polygon[j + 1]];
    if (ay > py !== by > py && px < ax + ((py - ay) / (by - ay)) * (bx - ax)) inside = !inside;
  }
  return inside;
}
