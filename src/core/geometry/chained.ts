/** Directed edges joined end to end into outlines. */
import type { Edges } from './outline';

export interface ChainedOutlines {
  /** Outlines that lead back to where they begin, flat points without the first one again at the end. */
  closed: number[][];
  open: number[][];
}

/**
 * Each edge goes on with one that begins where it ends, the same numbers; of several with the first of them that is left.
 * Corners within a straight run stay.
 */
export function chainedEdges(edges: Edges): ChainedOutlines {
  const byStart = new Map<string, number[]>();
  const ends = new Set<string>();
  const key = (at: number) => `${edges[at]},${edges[at + 1]}`;
  for (let i = 0; i < edges.length; i += 4) {
    const starting = byStart.get(key(i));
    if (starting) starting.push(i);
    else byStart.set(key(i), [i]);
    ends.add(key(i + 2));
  }
  const taken = new Uint8Array(edges.length / 4);
  const out: ChainedOutlines = { closed: [], open: [] };
  const follow = (first: number) => {
    const points = [edges[first], edges[first + 1]];
    for (let at: number | undefined = first; at !== undefined;) {
      taken[at / 4] = 1;
      const end = key(at + 2);
      if (end === key(first)) return void out.closed.push(points);
      points.push(edges[at + 2], edges[at + 3]);
      at = byStart.get(end)?.find((i) => !taken[i / 4]);
    }
    out.open.push(points);
  };
  // Those that nothing leads to are begun with: they are open.
  for (const isBegun of [(i: number) => !ends.has(key(i)), () => true])
    for (let i = 0; i < edges.length; i += 4) if (!taken[i / 4] && isBegun(i)) follow(i);
  return out;
}
