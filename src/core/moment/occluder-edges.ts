import { applyTo, determinant, type Affine } from '../geometry/affine';
import { edgesOfClosed, edgesOfLine, normaliseOutlines } from '../geometry/outline';
import type { Occluder } from '../scene/document';

/** Records are never changed in place, so an outline array stands for its normalised edges. */
const normalised = new WeakMap<number[][], Float64Array>();

/** The sound, directed edges of an occluder in its own px. */
function localEdges(occluder: Occluder): Float64Array {
  let edges = normalised.get(occluder.outlines);
  if (!edges) {
    edges =
      occluder.kind === 'closed'
        ? edgesOfClosed(normaliseOutlines(occluder.outlines))
        : linesOf(occluder.outlines);
    normalised.set(occluder.outlines, edges);
  }
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
  return all;
}

/** The last edges of each record: while neither it nor its place changes, the same array comes back. */
const placed = new WeakMap<Occluder, { map: Affine; edges: Float64Array }>();

/** The occluder's edges in the scene; a mirroring map swaps their ends, so that the interior stays on the left. */
export function occluderEdges(occluder: Occluder, map: Affine): Float64Array {
  const last = placed.get(occluder);
  if (last && sameMap(last.map, map)) return last.edges;
  const edges = mappedEdges(localEdges(occluder), map);
  placed.set(occluder, { map, edges });
  return edges;
}

function sameMap(p: Affine, q: Affine): boolean {
  return p.a === q.a && p.b === q.b && p.c === q.c && p.d === q.d && p.e === q.e && p.f === q.f;
}

function mappedEdges(local: Float64Array, map: Affine): Float64Array {
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
