/** Changes to the cells of a tile plane. */
import type { SceneDocument } from '../scene/document';
import { type Chunk, CHUNK_CELLS } from '../scene/records/chunk';
import { change, create, remove, type Edit } from '../scene/edits';
import { cellIn, chunkIndex, chunkKey } from './tiles';

/** A cell by its column and row, and the number that it gets. */
export type CellChange = readonly [column: number, row: number, cell: number];

/** The id of a new chunk: the same for everyone who makes one at this place, so that two who do meet as a conflict. */
function chunkId(planeId: string, column: number, row: number): string {
  const plain = (n: number) => (n < 0 ? `m${-n}` : String(n));
  return `${planeId.slice(-44)}-${plain(column)}-${plain(row)}`;
}

/** The edits that give cells their numbers; a chunk that is left empty goes. Of two changes of a cell the later holds. */
export function cellEdits(scene: SceneDocument, planeId: string, changes: Iterable<CellChange>): Edit[] {
  const index = chunkIndex(scene.chunks).get(planeId);
  const fresh = new Map<string, Chunk>();
  for (const [column, row, cell] of changes) {
    const [c, r] = [Math.floor(column / CHUNK_CELLS), Math.floor(row / CHUNK_CELLS)];
    const key = chunkKey(c, r);
    let chunk = fresh.get(key);
    if (!chunk) {
      const last = index?.get(key)?.[1];
      const cells = last ? [...last.cells] : new Array<number>(CHUNK_CELLS * CHUNK_CELLS).fill(0);
      fresh.set(key, (chunk = { planeId, column: c, row: r, cells }));
    }
    chunk.cells[(row - r * CHUNK_CELLS) * CHUNK_CELLS + column - c * CHUNK_CELLS] = cell;
  }
  return [...fresh].flatMap(([key, chunk]): Edit[] => {
    const known = index?.get(key);
    const isEmpty = chunk.cells.every((cell) => cell === 0);
    if (!known) return isEmpty ? [] : [create('chunks', chunkId(planeId, chunk.column, chunk.row), chunk)];
    if (isEmpty) return [remove(scene, 'chunks', known[0])];
    const edit = change(scene, 'chunks', known[0], { cells: chunk.cells });
    return edit ? [edit] : [];
  });
}

/** The cells that a straight line between two cells goes through, both included (Bresenham 1965). */
export function cellsOnLine(x0: number, y0: number, x1: number, y1: number): [number, number][] {
  const out: [number, number][] = [];
  const [dx, dy] = [Math.abs(x1 - x0), -Math.abs(y1 - y0)];
  const [sx, sy] = [x0 < x1 ? 1 : -1, y0 < y1 ? 1 : -1];
  let error = dx + dy;
  for (let [x, y] = [x0, y0]; ;) {
    out.push([x, y]);
    if (x === x1 && y === y1) return out;
    const doubled = 2 * error;
    if (doubled >= dy) {
      error += dy;
      x += sx;
    }
    if (doubled <= dx) {
      error += dx;
      y += sy;
    }
  }
}

export interface CellBox {
  left: number;
  top: number;
  /** Last column and row. */
  right: number;
  bottom: number;
}

/** The cells that hang together with one through their sides and hold the same number, within a box. */
export function cellsAlike(
  scene: SceneDocument,
  planeId: string,
  column: number,
  row: number,
  { left, top, right, bottom }: CellBox,
): [number, number][] {
  if (column < left || column > right || row < top || row > bottom) return [];
  const chunks = chunkIndex(scene.chunks).get(planeId);
  const wanted = cellIn(chunks, column, row);
  const width = right - left + 1;
  const seen = new Uint8Array(width * (bottom - top + 1));
  const found: [number, number][] = [];
  const waiting: [number, number][] = [[column, row]];
  seen[(row - top) * width + column - left] = 1;
  for (let at = waiting.pop(); at; at = waiting.pop()) {
    found.push(at);
    const [x, y] = at;
    for (const [nx, ny] of [
      [x + 1, y],
      [x - 1, y],
      [x, y + 1],
      [x, y - 1],
    ]) {
      if (nx < left || nx > right || ny < top || ny > bottom) continue;
      const i = (ny - top) * width + nx - left;
      if (seen[i] || cellIn(chunks, nx, ny) !== wanted) continue;
      seen[i] = 1;
      waiting.push([nx, ny]);
    }
  }
  return found;
}
