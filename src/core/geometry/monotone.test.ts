import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { monotoneAt, monotoneCubic } from './monotone';

const values = fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 3, maxLength: 9 });
/** Places of uneven distance. */
const placesOf = (n: number) => Array.from({ length: n }, (_, i) => i + (i % 3) * 0.3);

describe('a cubic through values', () => {
  it('goes through them, and never beyond two neighbours between them', () => {
    fc.assert(
      fc.property(values, fc.boolean(), (ys, closed) => {
        const xs = placesOf(ys.length);
        const period = closed ? xs.at(-1)! + 1.7 : null;
        const cubic = monotoneCubic(xs, ys, period);
        xs.forEach((x, i) => expect(monotoneAt(cubic, x)).toBeCloseTo(ys[i], 9));
        for (let i = 0; i + (closed ? 0 : 1) < xs.length; i++) {
          const [low, high] = [ys[i], ys[(i + 1) % ys.length]].sort((a, b) => a - b);
          const end = xs[i + 1] ?? period!;
          for (let k = 1; k < 12; k++) {
            const value = monotoneAt(cubic, xs[i] + ((end - xs[i]) * k) / 12);
            expect(value).toBeGreaterThanOrEqual(low - 1e-9);
            expect(value).toBeLessThanOrEqual(high + 1e-9);
          }
        }
      }),
    );
  });

  it('has one slope at each point, from either side', () => {
    const step = 1e-6;
    fc.assert(
      fc.property(values, (ys) => {
        const xs = placesOf(ys.length);
        const cubic = monotoneCubic(xs, ys);
        for (const x of xs.slice(1, -1)) {
          const left = (monotoneAt(cubic, x) - monotoneAt(cubic, x - step)) / step;
          const right = (monotoneAt(cubic, x + step) - monotoneAt(cubic, x)) / step;
          expect(Math.abs(left - right)).toBeLessThan(0.01);
        }
      }),
    );
  });

  it('shortens both tangents of an interval that would overshoot, and hands them on to its neighbours', () => {
    const { tangents } = monotoneCubic([0, 1, 2, 3], [0, 10, 11, 21]);
    // Plain means are 5.5 on either side of the flat interval of slope 1: brought to the circle of radius 3.
    expect([...tangents]).toEqual(
      [10, 3 / Math.sqrt(2), 3 / Math.sqrt(2), 10].map((v) => expect.closeTo(v, 9)),
    );
  });

  it('of one value is level', () => {
    expect(monotoneAt(monotoneCubic([7], [3], 24), 20)).toBe(3);
    expect(monotoneAt(monotoneCubic([7], [3]), 20)).toBe(3);
  });

  it('wants a value for each place', () => {
    expect(() => monotoneCubic([1, 2], [1])).toThrow(/2 places, got 1/);
  });
});
