import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hullOf, meetsHull } from './hull';

const place = fc.integer({ min: -20, max: 20 });
/** Points in turn, the last three of them a triangle. */
const points = fc
  .array(place, { maxLength: 20 })
  .map((xs) => [...(xs.length % 2 === 0 ? xs : xs.slice(1)), 0, 0, 3, 1, 1, 4]);

describe('the convex hull', () => {
  it('of a square with points within and on its sides is its corners, in order', () => {
    const { corners, box } = hullOf([0, 0, 4, 0, 4, 4, 0, 4, 2, 2, 2, 0, 4, 1]);
    const first = [...corners.keys()].find((i) => i % 2 === 0 && corners[i] === 0 && corners[i + 1] === 0)!;
    const round = [...corners.subarray(first), ...corners.subarray(0, first)];
    expect(round).toEqual([0, 0, 4, 0, 4, 4, 0, 4]);
    expect(box).toEqual({ left: 0, top: 0, right: 4, bottom: 4 });
  });

  it('is refused where there is none', () => {
    expect(() => hullOf([3, 5])).toThrow('1 points span no area');
    expect(() => hullOf([3, 5, 3, 5, 4, 6])).toThrow('3 points span no area');
  });

  it('meets segments that cross, touch or lie within it, and none beyond', () => {
    const hull = hullOf([0, 0, 4, 0, 4, 4, 0, 4]);
    const meets = (...ends: [number, number, number, number]) => meetsHull(hull, ...ends);
    expect(meets(-1, 2, 5, 2)).toBe(true);
    expect(meets(1, 1, 2, 2)).toBe(true);
    expect(meets(4, 4, 6, 6)).toBe(true);
    expect(meets(-3, 2, 2, 7)).toBe(false);
    expect(meets(-1, 5, 5, 5)).toBe(false);
  });

  it('meets every segment that has one of its points, or a mean of them', () => {
    fc.assert(
      fc.property(points, place, place, fc.double({ min: 0, max: 1, noNaN: true }), (given, x, y, t) => {
        const hull = hullOf(given);
        const count = given.length / 2;
        const [i, j] = [Math.abs(x) % count, Math.abs(y) % count];
        // Whole numbers and halves are exact.
        const share = Math.round(t * 2) / 2;
        const mx = given[2 * i] * share + given[2 * j] * (1 - share);
        const my = given[2 * i + 1] * share + given[2 * j + 1] * (1 - share);
        expect(meetsHull(hull, mx, my, x, y)).toBe(true);
        expect(meetsHull(hull, mx - x, my - y, mx + x, my + y)).toBe(true);
      }),
    );
  });

  it('misses what lies on the other side of a line through none of its points', () => {
    fc.assert(
      fc.property(points, place, place, place, place, (given, ax, ay, bx, by) => {
        const hull = hullOf(given);
        const top = Math.min(...given.filter((_, i) => i % 2 === 1));
        expect(meetsHull(hull, ax, top - 1 - Math.abs(ay), bx, top - 1 - Math.abs(by))).toBe(false);
      }),
    );
  });
});
