/** Closed outlines drawn in by some pixels. Offsets are found by Clipper2 (Angus Johnson), on whole steps of a px. */
import { EndType, JoinType, inflatePaths, type Paths64 } from 'clipper2-ts';
import { edgesOfClosed, type Edges } from './outline';

/** Steps a px: finer than any edge is drawn, and exact in sums. */
const STEPS = 1024;
/** Corners are kept sharp up to this many times the inset. */
const SHARPEST = 2;

/** Rings of directed edges: each edge is followed by one that begins where it ends. Edges that close no ring are left out. */
export function ringsOf(pieces: readonly Edges[]): number[][] {
  const from = new Map<string, number[]>();
  const all: [number, number, number, number][] = [];
  for (const edges of pieces) {
    for (let i = 0; i < edges.length; i += 4) {
      const key = `${edges[i]} ${edges[i + 1]}`;
      const list = from.get(key);
      if (list) list.push(all.length);
      else from.set(key, [all.length]);
      all.push([edges[i], edges[i + 1], edges[i + 2], edges[i + 3]]);
    }
  }
  const rings: number[][] = [];
  for (const [start, list] of from) {
    while (list.length > 0) {
      const ring: number[] = [];
      let key = start;
      for (let next = from.get(key)?.pop(); next !== undefined; next = from.get(key)?.pop()) {
        const [ax, ay, bx, by] = all[next];
        ring.push(ax, ay);
        key = `${bx} ${by}`;
        if (key === start) break;
      }
      if (key === start && ring.length >= 6) rings.push(ring);
    }
  }
  return rings;
}

/**
 * The edges of closed outlines, drawn in by `px` on every side.
 * @param pieces directed edges, interior on the left, which together close rings
 * @returns directed edges with their interior on the left; none where nothing is left
 */
export function insetEdges(pieces: readonly Edges[], px: number): Edges {
  const paths: Paths64 = ringsOf(pieces).map((ring) =>
    Array.from({ length: ring.length / 2 }, (_, i) => ({
      x: Math.round(ring[2 * i] * STEPS),
      y: Math.round(ring[2 * i + 1] * STEPS),
    })),
  );
  // The library takes rings the other way round for outer ones.
  const turned = paths.map((path) => path.toReversed());
  const inset = inflatePaths(turned, -px * STEPS, JoinType.Miter, EndType.Polygon, SHARPEST);
  return edgesOfClosed(inset.map((path) => path.toReversed().flatMap(({ x, y }) => [x / STEPS, y / STEPS])));
}
