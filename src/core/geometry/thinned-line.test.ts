import { describe, expect, it } from 'vitest';
import { thinnedLine } from './thinned-line';

describe('a line with fewer points', () => {
  const zigzag = Array.from({ length: 40 }, (_, i): [number, number] => [
    i,
    i % 2 === 0 ? 0 : i === 21 ? 9 : 0.1,
  ]);

  it('is itself where it has few enough', () => {
    expect(thinnedLine(zigzag, 40)).toEqual(zigzag);
    expect(thinnedLine([], 5)).toEqual([]);
  });

  it('keeps the ends and what stands out the most', () => {
    expect(thinnedLine(zigzag, 3)).toEqual([zigzag[0], [21, 9], zigzag[39]]);
    const six = thinnedLine(zigzag, 6);
    expect(six).toHaveLength(6);
    expect(six).toContainEqual([21, 9]);
  });

  it('of places that are all the same keeps the ends', () => {
    expect(
      thinnedLine(
        Array.from({ length: 9 }, () => [3, 3] as const),
        4,
      )[0],
    ).toEqual([3, 3]);
  });
});
