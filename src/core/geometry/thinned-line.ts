/** A line with fewer points, as near to the old one as that allows (Ramer 1972, Douglas and Peucker 1973). */

import { distanceToSegment } from './outline';

type Place = readonly [number, number];

/** @returns at most `most` of the points, the ends among them: those without which the line would change the most */
export function thinnedLine(points: readonly Place[], most: number): Place[] {
  if (points.length <= most) return [...points];
  const kept = new Set([0, points.length - 1]);
  const spans: { from: number; to: number; at: number; away: number }[] = [];
  const add = (from: number, to: number) => {
    let [at, away] = [-1, -1];
    for (let i = from + 1; i < to; i++) {
      const d = distanceToSegment(...points[i], ...points[from], ...points[to]);
      if (d > away) [at, away] = [i, d];
    }
    if (at >= 0) spans.push({ from, to, at, away });
  };
  add(0, points.length - 1);
  while (kept.size < most && spans.length > 0) {
    let farthest = 0;
    spans.forEach(({ away }, i) => {
      if (away > spans[farthest].away) farthest = i;
    });
    const [{ from, to, at }] = spans.splice(farthest, 1);
    kept.add(at);
    add(from, at);
    add(at, to);
  }
  return points.filter((_, i) => kept.has(i));
}
