/**
 * Outlines of tiles on a grid, joined: where two neighbours both reach their common side nothing is left of it, and
 * straight pieces in a row become one edge. Tiles lie within their cells, so the sides are all that can cancel; the
 * result is what a union of all outlines would give, in one pass over the cells.
 */
import { edgesOfClosed, sideOf } from './outline';
import { outlinesWithin } from './sound-outlines';

/** What a tile's outline comes to in its cell: edges within, flat [ax, ay, bx, by], and which parts of each side it fills. */
export interface TileShape {
  inner: readonly number[];
  /** Intervals [from, to, from, to, ...] along a side, ascending, in px from the cell's corner. */
  top: readonly number[];
  right: readonly number[];
  bottom: readonly number[];
  left: readonly number[];
}

/** @param outlines in px of the cell, read together by the even-odd rule; what lies beyond the cell is cut off */
export function tileShape(
  outlines: readonly number[][],
  widthPx: number,
  heightPx: number,
): TileShape | null {
  const edges = edgesOfClosed(outlinesWithin(outlines, 0, 0, widthPx, heightPx));
  if (edges.length === 0) return null;
  const shape = {
    inner: [] as number[],
    top: [] as number[],
    right: [] as number[],
    bottom: [] as number[],
    left: [] as number[],
  };
  for (let i = 0; i < edges.length; i += 4) {
    const [ax, ay, bx, by] = edges.subarray(i, i + 4);
    // The interior lies to the left: on a side of the cell that is the way round which each edge must run.
    if (ay === 0 && by === 0) shape.top.push(bx, ax);
    else if (ay === heightPx && by === heightPx) shape.bottom.push(ax, bx);
    else if (ax === 0 && bx === 0) shape.left.push(ay, by);
    else if (ax === widthPx && bx === widthPx) shape.right.push(by, ay);
    else shape.inner.push(ax, ay, bx, by);
  }
  for (const side of ['top', 'right', 'bottom', 'left'] as const) shape[side] = ascending(shape[side]);
  return shape;
}

function ascending(intervals: readonly number[]): number[] {
  const pairs = Array.from({ length: intervals.length / 2 }, (_, i) => intervals.slice(2 * i, 2 * i + 2));
  return pairs.sort((a, b) => a[0] - b[0]).flat();
}

/** Parts of `a` that `b` does not cover; both ascending. */
function beyond(a: readonly number[], b: readonly number[]): number[] {
  const out: number[] = [];
  for (let i = 0; i < a.length; i += 2) {
    let from = a[i];
    for (let j = 0; j < b.length && b[j] < a[i + 1]; j += 2) {
      if (b[j + 1] <= from) continue;
      if (b[j] > from) out.push(from, b[j]);
      from = Math.max(from, b[j + 1]);
    }
    if (from < a[i + 1]) out.push(from, a[i + 1]);
  }
  return out;
}

/** Straight pieces along one line of the grid; a piece that begins where the last one ended lengthens it. */
class Runs {
  private readonly pieces: number[] = [];

  add(from: number, to: number): void {
    const { pieces } = this;
    if (pieces.at(-1) === from) pieces[pieces.length - 1] = to;
    else pieces.push(from, to);
  }

  each(take: (from: number, to: number) => void): void {
    for (let i = 0; i < this.pieces.length; i += 2) take(this.pieces[i], this.pieces[i + 1]);
  }
}

const NOTHING: readonly number[] = [];

export interface WallArea {
  /** Columns and rows whose cells are walked, the last ones left out. */
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** Whether the far sides of the last column and row belong to this area too. */
  closesRight: boolean;
  closesBottom: boolean;
}

/**
 * Directed edges of the joined outlines, interior on the left, in px of the grid. Each area answers for the upper and
 * the left sides of its cells, so that areas side by side share no edge and leave none out.
 * @param shapeAt the shape at a column and row, asked for cells of the area and their upper and left neighbours
 */
export function tileWalls(
  shapeAt: (column: number, row: number) => TileShape | null,
  area: WallArea,
  widthPx: number,
  heightPx: number,
): Float64Array {
  const out: number[] = [];
  const lastRow = area.bottom + (area.closesBottom ? 1 : 0);
  for (let row = area.top; row < lastRow; row++) {
    const [above, below] = [new Runs(), new Runs()];
    for (let column = area.left; column < area.right; column++) {
      const upper = shapeAt(column, row - 1)?.bottom ?? NOTHING;
      const lower = (row < area.bottom ? shapeAt(column, row)?.top : null) ?? NOTHING;
      spread(above, beyond(upper, lower), column * widthPx);
      spread(below, beyond(lower, upper), column * widthPx);
    }
    const y = row * heightPx;
    above.each((from, to) => out.push(from, y, to, y));
    below.each((from, to) => out.push(to, y, from, y));
  }
  const lastColumn = area.right + (area.closesRight ? 1 : 0);
  for (let column = area.left; column < lastColumn; column++) {
    const [before, after] = [new Runs(), new Runs()];
    for (let row = area.top; row < area.bottom; row++) {
      const left = shapeAt(column - 1, row)?.right ?? NOTHING;
      const right = (column < area.right ? shapeAt(column, row)?.left : null) ?? NOTHING;
      spread(before, beyond(left, right), row * heightPx);
      spread(after, beyond(right, left), row * heightPx);
    }
    const x = column * widthPx;
    before.each((from, to) => out.push(x, to, x, from));
    after.each((from, to) => out.push(x, from, x, to));
  }
  for (let row = area.top; row < area.bottom; row++) {
    for (let column = area.left; column < area.right; column++) {
      const inner = shapeAt(column, row)?.inner ?? NOTHING;
      for (let i = 0; i < inner.length; i += 2) {
        out.push(column * widthPx + inner[i], row * heightPx + inner[i + 1]);
      }
    }
  }
  return Float64Array.from(out);
}

function spread(runs: Runs, intervals: readonly number[], at: number): void {
  for (let i = 0; i < intervals.length; i += 2) runs.add(at + intervals[i], at + intervals[i + 1]);
}

/** Twice the area that directed edges enclose; below zero where their interiors lie to the left, as seen. */
export function enclosedArea2(edges: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < edges.length; i += 4) {
    sum += sideOf(0, 0, edges[i], edges[i + 1], edges[i + 2], edges[i + 3]);
  }
  return sum;
}
