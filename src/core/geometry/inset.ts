/** Closed outlines, given as edges, drawn in by some pixels. */
import { edgesOfClosed, type Edges } from './outline';
import { insetOutlines } from './sound-outlines';

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
  return edgesOfClosed(insetOutlines(ringsOf(pieces), px));
}
