import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputFault } from '../faults';
import { newScene } from '../scene/new-scene';
import { applyEdits, inverted } from '../scene/edits';
import { scattered, type ScatterRule } from './scatter';
import { readTileCsv } from './tile-csv';
import { cellEdits, cellsAlike, cellsOnLine, type CellChange } from './tile-edits';
import { cellAt } from './tiles';

const PLANE = 'plane-far';
const laid = (changes: CellChange[], scene = newScene()) =>
  applyEdits(scene, cellEdits(scene, PLANE, changes));

describe('laying tiles', () => {
  it('makes the chunks that it needs, changes those that are there, and undoes to what was', () => {
    const scene = newScene();
    const edits = cellEdits(scene, PLANE, [
      [0, 0, 1],
      [-1, 40, 2],
    ]);
    expect(edits.map(({ id }) => id).sort()).toEqual(['plane-far-0-0', 'plane-far-m1-1']);
    const after = applyEdits(scene, edits);
    expect([cellAt(after, PLANE, 0, 0), cellAt(after, PLANE, -1, 40)]).toEqual([1, 2]);
    const more = cellEdits(after, PLANE, [[1, 0, 3]]);
    expect(more.length).toBe(1);
    expect(applyEdits(applyEdits(after, more), inverted(more))).toEqual(after);
    expect(applyEdits(after, inverted(edits))).toEqual(scene);
  });

  it('takes a chunk away that is left empty, and does nothing for nothing', () => {
    const scene = laid([[5, 5, 9]]);
    expect(cellEdits(scene, PLANE, [[5, 5, 9]])).toEqual([]);
    expect(Object.keys(laid([[5, 5, 0]], scene).chunks)).toEqual([]);
    expect(cellEdits(newScene(), PLANE, [[5, 5, 0]])).toEqual([]);
  });

  it('goes along a line through every cell, without a gap, the same cells back', () => {
    const c = fc.integer({ min: -40, max: 40 });
    fc.assert(
      fc.property(c, c, c, c, (x0, y0, x1, y1) => {
        const line = cellsOnLine(x0, y0, x1, y1);
        expect(line[0]).toEqual([x0, y0]);
        expect(line.at(-1)).toEqual([x1, y1]);
        for (let i = 1; i < line.length; i++)
          expect(Math.max(Math.abs(line[i][0] - line[i - 1][0]), Math.abs(line[i][1] - line[i - 1][1]))).toBe(
            1,
          );
        expect(line.length).toBe(1 + Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0)));
      }),
    );
  });

  it('floods what hangs together and is alike, within a box', () => {
    const wall = Array.from({ length: 10 }, (_, y): CellChange => [5, y, 4]);
    const scene = laid(wall);
    const box = { left: 0, top: 0, right: 9, bottom: 9 };
    expect(cellsAlike(scene, PLANE, 0, 0, box).length).toBe(50);
    expect(cellsAlike(scene, PLANE, 5, 3, box).length).toBe(10);
    expect(cellsAlike(scene, PLANE, 20, 3, box)).toEqual([]);
    const leaky = laid([[5, 9, 0]], scene);
    expect(cellsAlike(leaky, PLANE, 0, 0, box).length).toBe(91);
  });
});

describe('a table of tiles', () => {
  it('is read with any separator, blanks and counts from 0 or from 1', () => {
    expect(readTileCsv('0,1\n-1,,2\n', 0, 3)).toEqual([
      [0, 0, 1],
      [1, 0, 2],
      [2, 1, 3],
    ]);
    expect(readTileCsv('0;1\r\n3;0', 1, 3)).toEqual([
      [1, 0, 1],
      [0, 1, 3],
    ]);
    expect(readTileCsv('2', 0, 3)).toEqual([[0, 0, 3]]);
  });

  it.each([
    ['1,two', 0, /"two" in line 1, column 2/],
    ['0,1\n9,0', 0, /no tile 9, as in line 2, column 1: the sheet has 3, from 0 to 2/],
    ['1,-4', 1, /no tile -4/],
    ['-1,-1', 0, /no tile in this file/],
    ['', 0, /no tile in this file/],
    ['1,"2', 0, /not CSV/],
  ] as const)('that is wrong is refused with its place: %j', (text, first, words) => {
    expect(() => readTileCsv(text, first, 3)).toThrow(words);
    expect(() => readTileCsv(text, first, 3)).toThrow(InputFault);
  });

  it('of a million cells and more is refused', () => {
    const row = `${'0,'.repeat(1200)}0`;
    expect(() => readTileCsv(Array.from({ length: 900 }, () => row).join('\n'), 0, 1)).toThrow(
      /at most 1000000/,
    );
  });

  it('of anything at all is read or refused in words', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        try {
          for (const [x, y, cell] of readTileCsv(text, 0, 5))
            expect([x >= 0, y >= 0, cell > 0]).toEqual([true, true, true]);
        } catch (thrown) {
          expect(thrown).toBeInstanceOf(InputFault);
        }
      }),
      { numRuns: 1000 },
    );
  });
});

describe('scattering', () => {
  const rule: ScatterRule = { count: 40, seed: 7, spacingPx: 10, sizeShare: 0.3, turnDeg: 20, flips: true };
  const box = { left: 10, top: 20, right: 210, bottom: 120 };

  it('keeps within the box and apart, the same way for the same seed', () => {
    const places = scattered(box, 3, rule);
    expect(places.length).toBe(40);
    expect(scattered(box, 3, rule)).toEqual(places);
    expect(scattered(box, 3, { ...rule, seed: 8 })).not.toEqual(places);
    for (const [i, a] of places.entries()) {
      expect(a.x >= 10 && a.x <= 210 && a.y >= 20 && a.y <= 120).toBe(true);
      expect(Math.abs(a.scale - 1)).toBeLessThanOrEqual(0.3);
      expect(Math.abs(a.turnDeg)).toBeLessThanOrEqual(20);
      for (const b of places.slice(i + 1))
        expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(10);
    }
    expect(new Set(places.map(({ kind }) => kind))).toEqual(new Set([0, 1, 2]));
  });

  it('puts fewer where there is no room, and nothing where there is nothing to put', () => {
    const tight = scattered({ left: 0, top: 0, right: 20, bottom: 20 }, 1, rule);
    expect(tight.length).toBeLessThan(10);
    expect(scattered(box, 0, rule)).toEqual([]);
    expect(scattered({ ...box, right: 10 }, 1, rule)).toEqual([]);
  });
});
