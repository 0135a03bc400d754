import { describe, expect, it } from 'vitest';
import { signedArea2 } from '../geometry/outline';
import { emptyImage, type Image } from '../raster/image';
import { outlinesFrom, type OutlineRule } from './outlines-from';

const rule: OutlineRule = {
  way: 'alpha',
  threshold: 128,
  colours: [],
  seeds: [],
  likeness: 8,
  tolerancePx: 0,
  insetPx: 0,
  holes: true,
};

/** A picture drawn in letters: blank is clear, `#` grey, `r` red, `R` nearly the same red. */
function drawn(...rows: string[]): Image {
  const image = emptyImage(rows[0].length, rows.length);
  const colours: Record<string, number[]> = {
    '#': [120, 120, 120, 255],
    r: [200, 30, 30, 255],
    R: [204, 33, 30, 255],
    '.': [120, 120, 120, 100],
  };
  rows.forEach((row, y) =>
    [...row].forEach((c, x) => image.data.set(colours[c] ?? [0, 0, 0, 0], 4 * (y * image.width + x))),
  );
  return image;
}

const whole = (image: Image) => ({ left: 0, top: 0, right: image.width, bottom: image.height });
const area = (outlines: number[][]) => outlines.reduce((sum, points) => sum - signedArea2(points) / 2, 0);
const box = (points: number[]) => {
  const xs = points.filter((_, i) => i % 2 === 0);
  const ys = points.filter((_, i) => i % 2 === 1);
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
};

describe('outlines from a picture', () => {
  const ring = drawn('####', '#  #', '#  #', '####');

  it('have holes where they stay open, and none where they are closed', () => {
    expect(outlinesFrom(ring, whole(ring), rule).length).toBe(2);
    expect(area(outlinesFrom(ring, whole(ring), rule))).toBe(12);
    const closed = outlinesFrom(ring, whole(ring), { ...rule, holes: false });
    expect(closed.length).toBe(1);
    expect(area(closed)).toBe(16);
  });

  it('begin at the coverage that is asked for', () => {
    const faint = drawn('##..', '##..');
    expect(area(outlinesFrom(faint, whole(faint), rule))).toBe(4);
    expect(area(outlinesFrom(faint, whole(faint), { ...rule, threshold: 50 }))).toBe(8);
  });

  it('are drawn in and out by an inset, out beyond the frame too', () => {
    const square = drawn('######', '######', '######', '######', '######', '######');
    const inset = (insetPx: number) => outlinesFrom(square, whole(square), { ...rule, insetPx });
    expect(box(inset(1)[0])).toEqual([1, 1, 5, 5]);
    expect(box(inset(-2)[0])).toEqual([-2, -2, 8, 8]);
    expect(inset(3)).toEqual([]);
  });

  it('of some colours follow those alone, as closely as is asked', () => {
    const wall = drawn('######', '#rrRR#', '######');
    const red = { ...rule, way: 'colours' as const, colours: [[200, 30, 30]] as [number, number, number][] };
    expect(area(outlinesFrom(wall, whole(wall), { ...red, likeness: 0 }))).toBe(2);
    expect(area(outlinesFrom(wall, whole(wall), { ...red, likeness: 5 }))).toBe(4);
    expect(outlinesFrom(wall, whole(wall), { ...red, colours: [] })).toEqual([]);
  });

  it('of some regions leave the same colour elsewhere alone', () => {
    const rooms = drawn('rr#rr', 'rr#rr');
    const one = { ...rule, way: 'regions' as const, seeds: [[0, 0]] as [number, number][] };
    expect(box(outlinesFrom(rooms, whole(rooms), one)[0])).toEqual([0, 0, 2, 2]);
    const both = {
      ...one,
      seeds: [
        [0, 0],
        [4, 1],
      ] as [number, number][],
    };
    expect(outlinesFrom(rooms, whole(rooms), both).length).toBe(2);
    expect(outlinesFrom(rooms, whole(rooms), { ...one, seeds: [[99, 99]] })).toEqual([]);
  });

  it('of a part are counted from its corner, and never see what lies beside it', () => {
    const sheet = drawn('##  ##', '##  ##');
    expect(outlinesFrom(sheet, { left: 3, top: 0, right: 6, bottom: 2 }, rule).map(box)).toEqual([
      [1, 0, 3, 2],
    ]);
    expect(() => outlinesFrom(sheet, { left: 3, top: 0, right: 9, bottom: 2 }, rule)).toThrow(/beyond/);
  });

  it('have fewer points the more they may stray', () => {
    const stairs = drawn('#     ', '##    ', '###   ', '####  ', '##### ', '######');
    const count = (tolerancePx: number) =>
      outlinesFrom(stairs, whole(stairs), { ...rule, tolerancePx })[0].length / 2;
    expect(count(0)).toBeGreaterThan(10);
    expect(count(1)).toBeLessThan(5);
  });
});
