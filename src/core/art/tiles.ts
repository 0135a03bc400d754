/**
 * Cells of tile planes. A cell's number is 0 where it is empty, else 1 + frame + 1024 * orientation; the orientation's
 * bits are flipped left to right (1), flipped top to bottom (2), and turned about the diagonal (4), in which order a
 * place of the cell is brought back to its place in the tile: first unflipped, then the axes exchanged.
 */
import { LIMITS } from '../limits';
import type { SceneDocument } from '../scene/document';
import { type Chunk, CHUNK_CELLS } from '../scene/records/chunk';

export const FLIP_X = 1;
export const FLIP_Y = 2;
export const DIAGONAL = 4;

export interface Tile {
  frame: number;
  orientation: number;
}

/** Frames that a cell can tell apart. */
export const CELL_FRAMES = LIMITS.frames;

export function cellOf({ frame, orientation }: Tile): number {
  return 1 + frame + CELL_FRAMES * orientation;
}

export function tileOf(cell: number): Tile | null {
  if (cell === 0) return null;
  return { frame: (cell - 1) % CELL_FRAMES, orientation: Math.floor((cell - 1) / CELL_FRAMES) };
}

/** A tile turned a quarter, clockwise as seen, by its orientation. */
export function turnedTile(orientation: number): number {
  // A quarter turn is an exchange of the axes and a flip; what was flipped across is then flipped down.
  const flipX = orientation & FLIP_X ? 1 : 0;
  const flipY = orientation & FLIP_Y ? 1 : 0;
  return ((orientation ^ DIAGONAL) & DIAGONAL) | (flipX ? FLIP_Y : 0) | (flipY ? 0 : FLIP_X);
}

/** Where a place of a cell lies in its tile. */
export function placeInTile(
  orientation: number,
  x: number,
  y: number,
  widthPx: number,
  heightPx: number,
): [number, number] {
  const u = orientation & FLIP_X ? widthPx - x : x;
  const v = orientation & FLIP_Y ? heightPx - y : y;
  return orientation & DIAGONAL ? [v, u] : [u, v];
}

/** The chunks of each tile plane by their place, `column row`. */
export type ChunkIndex = Map<string, Map<string, [string, Chunk]>>;

/** Of two chunks at one place the one with the lower id holds. */
export function chunkIndex(chunks: SceneDocument['chunks']): ChunkIndex {
  const index: ChunkIndex = new Map();
  for (const [id, chunk] of Object.entries(chunks)) {
    let plane = index.get(chunk.planeId);
    if (!plane) index.set(chunk.planeId, (plane = new Map()));
    const key = chunkKey(chunk.column, chunk.row);
    const other = plane.get(key);
    if (!other || id < other[0]) plane.set(key, [id, chunk]);
  }
  return index;
}

export function chunkKey(column: number, row: number): string {
  return `${column} ${row}`;
}

/** The cell at a column and row of a tile plane. */
export function cellAt(
  scene: Pick<SceneDocument, 'chunks'>,
  planeId: string,
  column: number,
  row: number,
): number {
  return cellIn(chunkIndex(scene.chunks).get(planeId), column, row);
}

/** The cell at a column and row, by the chunks of its plane. */
export function cellIn(
  chunks: ReadonlyMap<string, readonly [string, Chunk]> | undefined,
  column: number,
  row: number,
): number {
  const [c, r] = [Math.floor(column / CHUNK_CELLS), Math.floor(row / CHUNK_CELLS)];
  const chunk = chunks?.get(chunkKey(c, r))?.[1];
  return chunk ? chunk.cells[(row - r * CHUNK_CELLS) * CHUNK_CELLS + column - c * CHUNK_CELLS] : 0;
}

/** The columns and rows that hold anything, last ones included; null where the plane is empty. */
export function tileExtent(
  scene: Pick<SceneDocument, 'chunks'>,
  planeId: string,
): { left: number; top: number; right: number; bottom: number } | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [, { column, row, cells }] of chunkIndex(scene.chunks).get(planeId)?.values() ?? []) {
    for (let i = 0; i < cells.length; i++) {
      if (cells[i] === 0) continue;
      const x = column * CHUNK_CELLS + (i % CHUNK_CELLS);
      const y = row * CHUNK_CELLS + Math.floor(i / CHUNK_CELLS);
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  }
  return left <= right ? { left, top, right, bottom } : null;
}
