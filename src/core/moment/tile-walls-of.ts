/** The walls of a tile plane, a piece for each chunk; what no change touched is not made anew. */
import { chunkKey, DIAGONAL, FLIP_X, FLIP_Y, placeInTile, tileOf, type ChunkIndex } from '../art/tiles';
import type { Affine } from '../geometry/affine';
import { boxOfEdges } from '../geometry/outline';
import { flattenedOutlines } from '../geometry/smooth';
import { normaliseOutlines } from '../geometry/sound-outlines';
import { tileShape, tileWalls, type TileShape } from '../geometry/tile-walls';
import { Remembered } from '../remembered';
import type { Artwork } from '../scene/records/artwork';
import { type Chunk, CHUNK_CELLS } from '../scene/records/chunk';
import type { TileGrid } from '../scene/records/plane';
import type { EdgePiece } from './moment';
import { mappedEdges, outlinesAt, sameMap, unreadableOutlines } from './occluder-edges';

/** The shapes of a sheet's cells by their numbers. */
type Shapes = Map<number, TileShape | null>;

interface Known {
  /** The chunk's neighbours above, to the left, to the right and below, by which its edges are cut. */
  around: readonly (Chunk | undefined)[];
  shapes: Shapes;
  local: Float64Array;
  map: Affine;
  piece: EdgePiece | null;
}

export class TileWalls {
  private readonly shapes = new Remembered<Artwork['occluders'], Shapes>();
  private readonly pieces = new WeakMap<Chunk, Known>();

  /**
   * @param chunks those of the plane
   * @param map px of the grid to the scene
   */
  of(
    chunks: ReturnType<ChunkIndex['get']>,
    { cellWidthPx, cellHeightPx }: TileGrid,
    artwork: Artwork,
    map: Affine,
  ): EdgePiece[] {
    if (!chunks || artwork.occluders.length === 0) return [];
    const shapes = this.shapes.recall(
      artwork.occluders,
      [cellWidthPx, cellHeightPx, artwork.frames],
      (): Shapes => new Map([[0, null]]),
    );
    const shapeOf = (cell: number): TileShape | null => {
      let shape = shapes.get(cell);
      if (shape === undefined) {
        shape = tileShape(cellOutlines(artwork, cell, cellWidthPx, cellHeightPx), cellWidthPx, cellHeightPx);
        shapes.set(cell, shape);
      }
      return shape;
    };
    const chunkAt = (column: number, row: number) => chunks.get(chunkKey(column, row))?.[1];
    const out: EdgePiece[] = [];
    for (const [, chunk] of chunks.values()) {
      const { column, row } = chunk;
      const around = [
        chunkAt(column, row - 1),
        chunkAt(column - 1, row),
        chunkAt(column + 1, row),
        chunkAt(column, row + 1),
      ];
      const known = this.pieces.get(chunk);
      const isSame =
        known?.shapes === shapes &&
        // Of the neighbours to the right and below only whether they are there matters.
        known.around.every((other, i) => (i < 2 ? other === around[i] : !other === !around[i]));
      const local = isSame ? known.local : edgesOfChunk(chunk, around, shapeOf, cellWidthPx, cellHeightPx);
      const piece = isSame && sameMap(known.map, map) ? known.piece : placedPiece(local, map);
      this.pieces.set(chunk, { around, shapes, local, map, piece });
      if (piece) out.push(piece);
    }
    return out;
  }
}

/** The outlines of a tile as it lies in its cell; what cannot be read is left out. */
function cellOutlines(artwork: Artwork, cell: number, widthPx: number, heightPx: number): number[][] {
  const tile = tileOf(cell)!;
  const outlines = artwork.occluders
    .filter(({ kind }) => kind === 'closed')
    .flatMap((occluder) => {
      const outlined = outlinesAt(artwork, occluder, tile.frame);
      const broken = new Set(unreadableOutlines(outlined));
      const flat = flattenedOutlines(outlined.outlines, outlined.smooth, true);
      return normaliseOutlines(flat.filter((_, i) => !broken.has(i)));
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

function placedPiece(local: Float64Array, map: Affine): EdgePiece | null {
  if (local.length === 0) return null;
  const edges = mappedEdges(local, map);
  return { edges, box: boxOfEdges(edges) };
}

function edgesOfChunk(
  chunk: Chunk,
  [above, before, after, below]: readonly (Chunk | undefined)[],
  shapeOf: (cell: number) => TileShape | null,
  cellWidthPx: number,
  cellHeightPx: number,
): Float64Array {
  const left = chunk.column * CHUNK_CELLS;
  const top = chunk.row * CHUNK_CELLS;
  const shapeAt = (column: number, row: number): TileShape | null => {
    const [x, y] = [column - left, row - top];
    const from = y < 0 ? above : x < 0 ? before : x >= CHUNK_CELLS ? after : chunk;
    if (!from) return null;
    const wrapped = (v: number) => (v + CHUNK_CELLS) % CHUNK_CELLS;
    return shapeOf(from.cells[wrapped(y) * CHUNK_CELLS + wrapped(x)]);
  };
  const area = {
    left,
    top,
    right: left + CHUNK_CELLS,
    bottom: top + CHUNK_CELLS,
    closesRight: !after,
    closesBottom: !below,
  };
  return tileWalls(shapeAt, area, cellWidthPx, cellHeightPx);
}
