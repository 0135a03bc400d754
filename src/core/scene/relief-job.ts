/** What a scene's records ask for when the relief of an artwork is to be made, and how it stands with it. */
import { rectOf } from '../art/frames';
import { InputFault } from '../faults';
import { readRecipe } from '../relief/recipe';
import type { ReliefJob } from '../relief/job';
import type { Stroke as BrushStroke } from '../relief/strokes/stroke';
import { inOrder, type SceneDocument } from './document';
import type { Stroke } from './records/stroke';

type Records = Pick<SceneDocument, 'artworks' | 'reliefs' | 'strokes'>;

/** Strokes of each artwork, in their order; made once for many questions. */
export function strokesByArtwork(strokes: Record<string, Stroke>): Map<string, [string, Stroke][]> {
  const out = new Map<string, [string, Stroke][]>();
  for (const entry of inOrder(strokes)) {
    const own = out.get(entry[1].artworkId);
    if (own) own.push(entry);
    else out.set(entry[1].artworkId, [entry]);
  }
  return out;
}

/**
 * @returns the job, or null where the artwork has no relief
 * @throws InputFault where reliefs are borrowed in a circle, or from an artwork that is gone
 */
export function reliefJobOf(
  records: Records,
  artworkId: string,
  strokes = strokesByArtwork(records.strokes),
  borrowers: readonly string[] = [],
): ReliefJob | null {
  const artwork = records.artworks[artworkId];
  const relief = records.reliefs[artworkId];
  if (!artwork || !relief) return null;
  if (borrowers.includes(artworkId)) {
    const names = [...borrowers, artworkId]
      .map((id) => `"${records.artworks[id]?.name ?? id}"`)
      .join(' from ');
    throw new InputFault(`A relief cannot be borrowed in a circle: ${names}.`, 'borrowedId');
  }
  const own = strokes.get(artworkId) ?? [];
  const lender = relief.borrowedId;
  if (lender !== null && !records.reliefs[lender])
    throw new InputFault(`"${artwork.name}" borrows the relief of an artwork that is gone.`, 'borrowedId');
  return {
    imageSha: artwork.imageSha,
    recipe: readRecipe(relief.recipe),
    cells: artwork.cells,
    frames: artwork.frames.map(rectOf),
    layers: relief.layers
      .filter(({ hidden }) => !hidden)
      .map(({ id }) => own.filter(([, stroke]) => stroke.layerId === id).map(([, stroke]) => brushOf(stroke)))
      .filter((layer) => layer.length > 0),
    partStrokes: relief.partStrokes,
    borrowed: lender === null ? null : reliefJobOf(records, lender, strokes, [...borrowers, artworkId]),
    normals: relief.normals,
    heights: relief.heights,
    rimSha: relief.rimSha,
    occlusionSha: relief.occlusionSha,
    glowSha: artwork.glowSha,
  };
}

/** A stroke without its place in the scene. */
function brushOf({ artworkId: _artworkId, layerId: _layerId, order: _order, ...brush }: Stroke): BrushStroke {
  return brush;
}

export const RELIEF_STATES = ['none', 'made', 'painted', 'borrowed', 'imported', 'out-of-date'] as const;
export type ReliefState = (typeof RELIEF_STATES)[number];

/** How it stands with an artwork's relief. What is generated follows the art by itself; what was made by hand cannot. */
export function reliefStateOf(
  records: Records,
  artworkId: string,
  hasStrokes: (artworkId: string) => boolean,
): ReliefState {
  const artwork = records.artworks[artworkId];
  const relief = records.reliefs[artworkId];
  if (!artwork || !relief) return 'none';
  const isPainted = relief.partStrokes.length > 0 || hasStrokes(artworkId);
  const isImported = relief.normals !== null || relief.heights !== null;
  const byHand = isPainted || isImported || relief.rimSha !== null || relief.occlusionSha !== null;
  if (byHand && relief.madeForSha !== null && relief.madeForSha !== artwork.imageSha) return 'out-of-date';
  if (isPainted) return 'painted';
  if (isImported) return 'imported';
  return relief.borrowedId === null ? 'made' : 'borrowed';
}

/** Artworks whose relief would change with that of one: those that borrow from it, and from them. */
export function borrowersOf(reliefs: SceneDocument['reliefs'], lenderId: string): string[] {
  const found = new Set<string>();
  const visit = (id: string) => {
    for (const [borrower, relief] of Object.entries(reliefs)) {
      if (relief.borrowedId !== id || found.has(borrower)) continue;
      found.add(borrower);
      visit(borrower);
    }
  };
  visit(lenderId);
  return [...found];
}
