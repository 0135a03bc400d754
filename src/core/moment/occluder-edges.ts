import { applyTo, determinant, type Affine, type Box } from '../geometry/affine';
import { withoutFolds } from '../geometry/folded-lines';
import { edgesOfClosed, edgesOfLine } from '../geometry/outline';
import { normaliseOutlines } from '../geometry/sound-outlines';
import { flattenedOutlines } from '../geometry/smooth';
import type { Artwork, ArtworkOccluder, Occluder } from '../scene/document';

/** The outlines of anything that stops light, in px of its own. */
export type Outlined = Pick<Occluder, 'kind' | 'outlines' | 'smooth'>;

/** Records are never changed in place, so an outline array stands for its edges as long as its points stay smooth. */
const normalised = new WeakMap<readonly number[][], { smooth: readonly number[][]; edges: Float64Array }>();

/** The sound, directed edges of an occluder in its own px. */
export function localEdges({ kind, outlines, smooth }: Outlined): Float64Array {
  const known = normalised.get(outlines);
  if (known?.smooth === smooth) return known.edges;
  const flat = flattenedOutlines(outlines, smooth, kind === 'closed');
  const edges = kind === 'closed' ? edgesOfClosed(normaliseOutlines(flat)) : linesOf(flat);
  normalised.set(outlines, { smooth, edges });
  return edges;
}

function linesOf(outlines: number[][]): Float64Array {
  const parts = outlines.map(edgesOfLine);
  const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return withoutFolds(all);
}

export function sameMap(p: Affine, q: Affine): boolean {
  return p.a === q.a && p.b === q.b && p.c === q.c && p.d === q.d && p.e === q.e && p.f === q.f;
}

/** Edges in the scene; a mirroring map swaps their ends, so that the interior stays on the left. */
export function mappedEdges(local: Float64Array, map: Affine): Float64Array {
  const mirrored = determinant(map) < 0;
  const edges = new Float64Array(local.length);
  for (let i = 0; i < local.length; i += 4) {
    const a = applyTo(map, local[i], local[i + 1]);
    const b = applyTo(map, local[i + 2], local[i + 3]);
    const [first, second] = mirrored ? [b, a] : [a, b];
    edges[i] = first[0];
    edges[i + 1] = first[1];
    edges[i + 2] = second[0];
    edges[i + 3] = second[1];
  }
  return edges;
}

/** An artwork's occluder as it is in a frame: its own outlines there, else those that hold in general. */
export function outlinesAt(
  { frames }: Pick<Artwork, 'frames'>,
  occluder: ArtworkOccluder,
  frame: number,
): Outlined {
  const number = frames.length > 0 ? frame % frames.length : 0;
  const own = occluder.frames.find((one) => one.frame === number);
  return own ? { ...own, kind: occluder.kind } : occluder;
}

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
