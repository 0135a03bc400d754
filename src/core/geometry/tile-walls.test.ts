import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isInside } from './outline';
import { areaOfSound, unitedOutlines } from './sound-outlines';
import { enclosedArea2, tileShape, tileWalls, type TileShape } from './tile-walls';

const W = 8;
const H = 8;
const FULL = [[0, 0, W, 0, W, H, 0, H]];
const SLOPE = [[0, H, W, 0, W, H]];
const HALF = [[0, H / 2, W, H / 2, W, H, 0, H]];
const POST = [[2, 2, 5, 2, 5, 6, 2, 6]];
const FRAME = [
  [0, 0, W, 0, W, H, 0, H],
  [2, 2, 6, 2, 6, 6, 2, 6],
];
const OUTLINES = [null, FULL, SLOPE, HALF, POST, FRAME];

/** All walls of a grid given by rows of numbers into OUTLINES. */
function wallsOf(rows: readonly (readonly number[])[]): Float64Array {
  const shapes = OUTLINES.map((outlines) => outlines && tileShape(outlines, W, H));
  const at = (column: number, row: number): TileShape | null => shapes[rows[row]?.[column] ?? 0] ?? null;
  const area = { left: 0, top: 0, right: rows[0].length, bottom: rows.length };
  return tileWalls(at, { ...area, closesRight: true, closesBottom: true }, W, H);
}

/** The area of the union of all outlines, found without the grid. */
function unionArea(rows: readonly (readonly number[])[]): number {
  const areas = rows.flatMap((row, y) =>
    row.map((number, x) =>
      (OUTLINES[number] ?? []).map((points) => points.map((v, i) => v + (i % 2 === 0 ? x * W : y * H))),
    ),
  );
  return areaOfSound(unitedOutlines(areas));
}

describe('walls of a tile plane', () => {
  it('of one tile are its outline, of a row of tiles one box without seams', () => {
    expect(wallsOf([[1]]).length / 4).toBe(4);
    const row = wallsOf([[1, 1, 1, 1, 1]]);
    expect(row.length / 4).toBe(4);
    expect(enclosedArea2(row)).toBe(-2 * 5 * W * H);
  });

  it('of a ring have an outer and an inner outline', () => {
    const ring = wallsOf([
      [1, 1, 1],
      [1, 0, 1],
      [1, 1, 1],
    ]);
    expect(ring.length / 4).toBe(8);
    expect(isInside(ring, 1.5 * W, 1.5 * H)).toBe(false);
    expect(isInside(ring, 0.5 * W, 1.5 * H)).toBe(true);
  });

  it('of a slope beside a full tile leave out what they share', () => {
    // The slope's right side is the full tile's left one.
    const walls = wallsOf([[2, 1]]);
    expect(enclosedArea2(walls)).toBe(-2 * (W * H + (W * H) / 2));
    for (let i = 0; i < walls.length; i += 4) expect([walls[i], walls[i + 2]]).not.toEqual([W, W]);
  });

  it('of half a tile beside a full one keep the other half of the full one', () => {
    const walls = [...wallsOf([[3, 1]])];
    const upright = Array.from({ length: walls.length / 4 }, (_, i) => walls.slice(4 * i, 4 * i + 4)).filter(
      ([ax, , bx]) => ax === W && bx === W,
    );
    expect(upright).toEqual([[W, 0, W, H / 2]]);
  });

  it('are where a union of all outlines has its border, whatever stands where', () => {
    const tile = fc.integer({ min: 0, max: OUTLINES.length - 1 });
    fc.assert(
      fc.property(
        fc.array(fc.array(tile, { minLength: 5, maxLength: 5 }), { minLength: 1, maxLength: 5 }),
        (rows) => {
          const walls = wallsOf(rows);
          expect(-enclosedArea2(walls) / 2).toBeCloseTo(unionArea(rows), 6);
          const shapes = OUTLINES.map((outlines) => outlines && tileShape(outlines, W, H));
          for (let y = 0.31; y < rows.length * H; y += 1.7) {
            for (let x = 0.43; x < 5 * W; x += 1.7) {
              const number = rows[Math.floor(y / H)][Math.floor(x / W)];
              const own = shapes[number] && isInside(alone(OUTLINES[number]!), x % W, y % H);
              expect(isInside(walls, x, y)).toBe(own ?? false);
            }
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('of areas side by side are those of the whole', () => {
    const rows = Array.from({ length: 6 }, (_, y) =>
      Array.from({ length: 6 }, (_, x) => (x * 7 + y * 5) % 6),
    );
    const shapes = OUTLINES.map((outlines) => outlines && tileShape(outlines, W, H));
    const at = (column: number, row: number): TileShape | null => shapes[rows[row]?.[column] ?? 0] ?? null;
    const part = (left: number, right: number, closesRight: boolean) =>
      tileWalls(at, { left, right, top: 0, bottom: 6, closesRight, closesBottom: true }, W, H);
    const sum = enclosedArea2(part(0, 3, false)) + enclosedArea2(part(3, 6, true));
    expect(sum).toBe(enclosedArea2(wallsOf(rows)));
  });

  it('of an outline that leaves its cell end there', () => {
    const shape = tileShape([[-4, -4, 12, -4, 12, 12, -4, 12]], W, H)!;
    expect(shape).toEqual({ inner: [], top: [0, W], right: [0, H], bottom: [0, W], left: [0, H] });
    expect(tileShape([[9, 9, 12, 9, 12, 12]], W, H)).toBeNull();
    expect(tileShape([], W, H)).toBeNull();
  });
});

function alone(outlines: number[][]): Float64Array {
  const edges: number[] = [];
  for (const points of outlines) {
    for (let i = 0; i < points.length; i += 2) {
      const j = (i + 2) % points.length;
      edges.push(points[i], points[i + 1], points[j], points[j + 1]);
    }
  }
  return Float64Array.from(edges);
}
