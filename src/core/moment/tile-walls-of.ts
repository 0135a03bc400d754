/** The walls of a tile plane, a piece for each chunk; what no change touched is not made anew. */
import { chunkIndex, chunkKey, DIAGONAL, FLIP_X, FLIP_Y, placeInTile, tileOf } from '../art/tiles';
import type { Affine } from '../geometry/affine';
import { normaliseOutlines } from '../geometry/sound-outlines';
import { flattenedOutlines } from '../geometry/smooth';
import { tileShape, tileWalls, type TileShape } from '../geometry/tile-walls';
import { CHUNK_CELLS, type Artwork, type Chunk, type SceneDocument, type TileGrid } from '../scene/document';
import type { EdgePiece } from './moment';
import { boxOfEdges, mappedEdges, outlinesAt, sameMap } from './occluder-edges';

/** The shapes of a sheet's cells by their numbers. */
type Shapes = Map<number, TileShape | null>;

const shapesOf = new WeakMap<
  Artwork['occluders'],
  { size: string; frames: Artwork['frames']; shapes: Shapes }
>();

function shapesFor(artwork: Artwork, { cellWidthPx, cellHeightPx }: TileGrid): Shapes {
  const size = `${cellWidthPx} ${cellHeightPx}`;
  const known = shapesOf.get(artwork.occluders);
  if (known?.size === size && known.frames === artwork.frames) return known.shapes;
  const shapes: Shapes = new Map([[0, null]]);
  shapesOf.set(artwork.occluders, { size, frames: artwork.frames, shapes });
  return shapes;
}

/** The outlines of a tile as it lies in its cell. */
function cellOutlines(artwork: Artwork, cell: number, widthPx: number, heightPx: number): number[][] {
  const tile = tileOf(cell)!;
  const outlines = artwork.occluders
    .filter(({ kind }) => kind === 'closed')
    .flatMap((occluder) => {
      const { outlines: own, smooth } = outlinesAt(artwork, occluder, tile.frame);
      return normaliseOutlines(flattenedOutlines(own, smooth, true));
    });
  // Places of the tile are brought to the cell by what brings them back: its flips, and the exchange of axes before.
  return outlines.map((points) => {
    const out: number[] = [];
    for (let i = 0; i < points.length; i += 2) {
      out.push(...placeInCell(tile.orientation, points[i], points[i + 1], widthPx, heightPx));
    }
    return out;
  });
}

function placeInCell(orientation: number, u: number, v: number, w: number, h: number): [number, number] {
  const [x, y] = placeInTile(orientation & DIAGONAL, u, v, w, h);
  return placeInTile(orientation & (FLIP_X | FLIP_Y), x, y, w, h);
}

function shapeOf(
  shapes: Shapes,
  artwork: Artwork,
  cell: number,
  { cellWidthPx, cellHeightPx }: TileGrid,
): TileShape | null {
  let shape = shapes.get(cell);
  if (shape === undefined) {
    shape = tileShape(cellOutlines(artwork, cell, cellWidthPx, cellHeightPx), cellWidthPx, cellHeightPx);
    shapes.set(cell, shape);
  }
  return shape;
}

interface Known {
  /** The chunk's neighbours above, to the left, to the right and below, by which its edges are cut. */
  around: readonly (Chunk | undefined)[];
  shapes: Shapes;
  local: Float64Array;
  map: Affine;
  piece: EdgePiece | null;
}

const pieces = new WeakMap<Chunk, Known>();

/** @param map px of the grid to the scene */
export function wallPieces(
  scene: Pick<SceneDocument, 'chunks'>,
  planeId: string,
  grid: TileGrid,
  artwork: Artwork,
  map: Affine,
): EdgePiece[] {
  const index = chunkIndex(scene.chunks).get(planeId);
  if (!index || artwork.occluders.length === 0) return [];
  const shapes = shapesFor(artwork, grid);
  const chunkAt = (column: number, row: number) => index.get(chunkKey(column, row))?.[1];
  const out: EdgePiece[] = [];
  for (const [, chunk] of index.values()) {
    const { column, row } = chunk;
    const around = [
      chunkAt(column, row - 1),
      chunkAt(column - 1, row),
      chunkAt(column + 1, row),
      chunkAt(column, row + 1),
    ];
    const known = pieces.get(chunk);
    const isSame =
      known?.shapes === shapes &&
      // Of the neighbours to the right and below only whether they are there matters.
      known.around.every((other, i) => (i < 2 ? other === around[i] : !other === !around[i]));
    const local = isSame ? known.local : edgesOfChunk(chunk, around, shapes, artwork, grid);
    const piece = isSame && sameMap(known.map, map) ? known.piece : placedPiece(local, map);
    pieces.set(chunk, { around, shapes, local, map, piece });
    if (piece) out.push(piece);
  }
  return out;
}

function placedPiece(local: Float64Array, map: Affine): EdgePiece | null {
  if (local.length === 0) return null;
  const edges = mappedEdges(local, map);
  return { edges, box: boxOfEdges(edges) };
}

function edgesOfChunk(
  chunk: Chunk,
  [above, before, after, below]: readonly (Chunk | undefined)[],
  shapes: Shapes,
  artwork: Artwork,
  grid: TileGrid,
): Float64Array {
  const left = chunk.column * CHUNK_CELLS;
  const top = chunk.row * CHUNK_CELLS;
  const shapeAt = (column: number, row: number): TileShape | null => {
    const [x, y] = [column - left, row - top];
    const from = y < 0 ? above : x < 0 ? before : x >= CHUNK_CELLS ? after : chunk;
    if (!from) return null;
    const wrapped = (v: number) => (v + CHUNK_CELLS) % CHUNK_CELLS;
    return shapeOf(shapes, artwork, from.cells[wrapped(y) * CHUNK_CELLS + wrapped(x)], grid);
  };
  const area = {
    left,
    top,
    right: left + CHUNK_CELLS,
    bottom: top + CHUNK_CELLS,
    closesRight: !after,
    closesBottom: !below,
  };
  return tileWalls(shapeAt, area, grid.cellWidthPx, grid.cellHeightPx);
}
