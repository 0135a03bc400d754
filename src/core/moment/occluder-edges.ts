/** From the outlines of records to directed edges in the scene. */
import { applyTo, determinant, type Affine } from '../geometry/affine';
import { withoutFolds } from '../geometry/folded-lines';
import { boxOfEdges, edgesOfClosed, edgesOfLine } from '../geometry/outline';
import { flattenedOutlines } from '../geometry/smooth';
import { normaliseOutlines } from '../geometry/sound-outlines';
import { Remembered } from '../remembered';
import type { Artwork, ArtworkOccluder } from '../scene/records/artwork';
import type { Occluder } from '../scene/records/occluder';
import type { EdgePiece } from './moment';

/** The outlines of anything that stops light, in px of its own. */
export type Outlined = Pick<Occluder, 'kind' | 'outlines' | 'smooth'>;

/**
 * The sound, directed edges of outlines in their own px.
 * @throws InputFault where an outline cannot be read
 */
export function localEdges({ kind, outlines, smooth }: Outlined): Float64Array {
  const flat = flattenedOutlines(outlines, smooth, kind === 'closed');
  return kind === 'closed' ? edgesOfClosed(normaliseOutlines(flat)) : linesOf(flat);
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

/** The numbers of outlines that cannot be read. */
export function unreadableOutlines(outlined: Outlined): number[] {
  try {
    localEdges(outlined);
    return [];
  } catch {
    return eachUnreadable(outlined);
  }
}

function eachUnreadable({ kind, outlines, smooth }: Outlined): number[] {
  return outlines.flatMap((points, i) => {
    try {
      localEdges({ kind, outlines: [points], smooth: [smooth[i] ?? []] });
      return [];
    } catch {
      return [i];
    }
  });
}

/** Edges by their outlines, which are never changed in place. What cannot be read is left out, and the rest stands. */
export class EdgeMemory {
  private readonly edges = new Remembered<readonly number[][], Float64Array>();

  of(outlined: Outlined): Float64Array {
    const { kind, outlines, smooth } = outlined;
    return this.edges.recall(outlines, [kind, smooth], () => readableEdges(outlined));
  }
}

function readableEdges(outlined: Outlined): Float64Array {
  try {
    return localEdges(outlined);
  } catch {
    const broken = new Set(unreadableOutlines(outlined));
    const readable = <T>(all: readonly T[]) => all.filter((_, i) => !broken.has(i));
    const { kind, outlines, smooth } = outlined;
    return localEdges({ kind, outlines: readable(outlines), smooth: readable(smooth) });
  }
}

/** The last pieces of each record by their outlines: while neither these nor the place changes the same ones come back. */
export class PieceMemory {
  private readonly edges = new EdgeMemory();
  private readonly placed = new WeakMap<object, Map<readonly number[][], Placed>>();

  /** @param record what brings the outlines: a sprite, or the occluder itself */
  of(record: object, outlined: Outlined, map: Affine): readonly EdgePiece[] {
    let known = this.placed.get(record);
    if (!known) this.placed.set(record, (known = new Map()));
    const local = this.edges.of(outlined);
    const last = known.get(outlined.outlines);
    if (last && last.local === local && sameMap(last.map, map)) return last.pieces;
    const edges = mappedEdges(local, map);
    const pieces = edges.length === 0 ? [] : [{ edges, box: boxOfEdges(edges) }];
    known.set(outlined.outlines, { local, map, pieces });
    return pieces;
  }
}

interface Placed {
  local: Float64Array;
  map: Affine;
  pieces: readonly EdgePiece[];
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
  return own ? { outlines: own.outlines, smooth: own.smooth, kind: occluder.kind } : occluder;
}
