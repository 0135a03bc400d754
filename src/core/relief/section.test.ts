import { describe, expect, test } from 'vitest';
import { heightsAlong } from './section';

/** Ten px wide, four high; every pixel as high as its column, ten more a row. */
const slope = Float32Array.from({ length: 40 }, (_, i) => (i % 10) + 10 * Math.floor(i / 10));

describe('heights along a line', () => {
  test('a row gives its pixels in order, each at least once', () => {
    const values = heightsAlong(slope, 10, 4, [0, 2.5, 10, 2.5]);
    expect([...new Set(values.slice(0, -1))]).toEqual([20, 21, 22, 23, 24, 25, 26, 27, 28, 29]);
    expect(values.length).toBe(20);
  });

  test('it is read from where the line begins', () => {
    const there = heightsAlong(slope, 10, 4, [1.5, 0.5, 8.5, 3.5]);
    const back = heightsAlong(slope, 10, 4, [8.5, 3.5, 1.5, 0.5]);
    expect(there[0]).toBe(1);
    expect(there.at(-1)).toBe(38);
    expect(back).toEqual([...there].reverse());
  });

  test('beyond the art there is no height, and nothing of the next row', () => {
    const values = heightsAlong(slope, 10, 4, [-5, 1.5, 15, 1.5]);
    expect(values.slice(0, 9)).toEqual(Array(9).fill(0));
    expect(values.slice(-9)).toEqual(Array(9).fill(0));
    expect(values).toContain(19);
    expect(heightsAlong(slope, 10, 4, [2, -3, 2, -1]).every((h) => h === 0)).toBe(true);
  });

  test('a point has two equal heights, and the longest line stays drawable', () => {
    expect(heightsAlong(slope, 10, 4, [3.2, 1.2, 3.2, 1.2])).toEqual([13, 13]);
    expect(heightsAlong(slope, 10, 4, [0, 0, 90_000, 0]).length).toBe(2000);
  });
});
