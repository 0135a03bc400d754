import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cropped, croppedPlane, putPlane } from './crop';
import { nearestSites } from './distance';
import { closed } from './extremes';
import { heightOfStep, heightSteps } from './height-picture';
import { emptyImage } from './image';
import { linePixels } from './line';
import { doubledPlane, halfSide, halved, halvedPlane, threeTaps } from './pyramid';
import { labelled } from './regions';

const size = fc.record({ w: fc.integer({ min: 1, max: 13 }), h: fc.integer({ min: 1, max: 11 }) });
const withFlags = size.chain(({ w, h }) =>
  fc.array(fc.boolean(), { minLength: w * h, maxLength: w * h }).map((flags) => ({
    w,
    h,
    flags: Uint8Array.from(flags.map(Number)),
  })),
);
const withValues = size.chain(({ w, h }) =>
  fc
    .array(fc.integer({ min: 0, max: 8192 }), { minLength: w * h, maxLength: w * h })
    .map((values) => ({ w, h, plane: Float32Array.from(values, (v) => v / 8192) })),
);
const mirroredPlane = (plane: Float32Array, w: number) =>
  plane.map((_, i) => plane[i - (i % w) + w - 1 - (i % w)]);

describe('the nearest site', () => {
  it('is as near as any, against brute force', () => {
    fc.assert(
      fc.property(withFlags, ({ w, h, flags }) => {
        const nearest = nearestSites(flags, w, h);
        const away = (i: number, j: number) =>
          Math.hypot((i % w) - (j % w), Math.floor(i / w) - Math.floor(j / w));
        for (let i = 0; i < w * h; i++) {
          const all = [...flags.keys()].filter((j) => flags[j]).map((j) => away(i, j));
          if (all.length === 0) expect(nearest[i]).toBe(-1);
          else {
            expect(flags[nearest[i]]).toBe(1);
            expect(away(i, nearest[i])).toBeCloseTo(Math.min(...all), 9);
          }
        }
      }),
    );
  });

  it('refuses flags that do not fit', () => {
    expect(() => nearestSites(new Uint8Array(3), 2, 2)).toThrow(/expected 4 values for 2x2, got 3/);
  });
});

describe('a closing', () => {
  it('is the smallest of the largest, against brute force, and never darkens', () => {
    fc.assert(
      fc.property(withValues, fc.integer({ min: 1, max: 4 }), ({ w, h, plane }, radius) => {
        const window = (from: ArrayLike<number>, best: (...v: number[]) => number) =>
          Float32Array.from({ length: w * h }, (_, i) => {
            const values: number[] = [];
            for (let y = Math.floor(i / w) - radius; y <= Math.floor(i / w) + radius; y++)
              for (let x = (i % w) - radius; x <= (i % w) + radius; x++)
                if (x >= 0 && y >= 0 && x < w && y < h) values.push(from[y * w + x]);
            return best(...values);
          });
        const truth = window(window(plane, Math.max), Math.min);
        const got = closed(plane, null, w, h, radius);
        for (let i = 0; i < w * h; i++) {
          expect(got[i]).toBeCloseTo(truth[i], 3);
          expect(got[i]).toBeGreaterThan(plane[i] - 1e-3);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('does not look outside of a mask', () => {
    const plane = Float32Array.of(0.2, 0.1, 0.9);
    const got = closed(plane, Uint8Array.of(1, 1, 0), 3, 1, 2);
    expect(got[1]).toBeCloseTo(0.2, 3);
    expect(got[2]).toBe(0);
  });
});

describe('halving and doubling', () => {
  it('keep a constant, and come back to the size', () => {
    fc.assert(
      fc.property(size, ({ w, h }) => {
        const half = halvedPlane(new Float32Array(w * h).fill(3), w, h);
        expect(half.length).toBe(halfSide(w) * halfSide(h));
        const back = doubledPlane(half, w, h);
        expect(back.length).toBe(w * h);
        for (const v of [...half, ...back]) expect(v).toBeCloseTo(3, 5);
      }),
    );
  });

  it('mirror with the picture, whatever its sides', () => {
    fc.assert(
      fc.property(withValues, ({ w, h, plane }) => {
        const half = halvedPlane(plane, w, h);
        const other = halvedPlane(mirroredPlane(plane, w), w, h);
        const back = mirroredPlane(other, halfSide(w));
        half.forEach((v, i) => expect(v).toBeCloseTo(back[i], 5));
        const large = doubledPlane(half, w, h);
        const largeOther = mirroredPlane(doubledPlane(other, w, h), w);
        large.forEach((v, i) => expect(v).toBeCloseTo(largeOther[i], 5));
      }),
    );
  });

  it('count values outside of a mask for nothing', () => {
    const level = halved({
      width: 4,
      height: 1,
      sums: Float32Array.of(5, 0, 0, 0),
      shares: Float32Array.of(1, 0, 0, 0),
    });
    expect(level.sums[0] / level.shares![0]).toBe(5);
    expect(level.shares![1]).toBe(0);
  });

  it('smooth by three taps with the variance of twice the weight', () => {
    const spike = new Float32Array(21);
    spike[10] = 1;
    threeTaps(spike, 21, 1, 0.2);
    expect(spike.reduce((sum, v, i) => sum + v * (i - 10) ** 2, 0)).toBeCloseTo(0.4, 5);
  });
});

describe('areas', () => {
  it('are those of a flood fill', () => {
    fc.assert(
      fc.property(withFlags, ({ w, h, flags }) => {
        const labels = labelled(
          w,
          h,
          (i) => flags[i] === 1,
          () => true,
        );
        const truth = new Int32Array(w * h);
        let areas = 0;
        for (let start = 0; start < w * h; start++) {
          if (!flags[start] || truth[start]) continue;
          truth[start] = ++areas;
          for (const stack = [start]; stack.length > 0;) {
            const i = stack.pop()!;
            const sides = [i - w, i + w, ...(i % w > 0 ? [i - 1] : []), ...(i % w < w - 1 ? [i + 1] : [])];
            for (const j of sides) {
              if (j < 0 || j >= w * h || !flags[j] || truth[j]) continue;
              truth[j] = areas;
              stack.push(j);
            }
          }
        }
        expect(labels).toEqual(truth);
      }),
    );
  });
});

describe('a drawn line', () => {
  const pixels = (points: number[]) => {
    const out: [number, number][] = [];
    linePixels(points, 40, 40, (i) => out.push([i % 40, Math.floor(i / 40)]));
    return out;
  };

  it('goes a pixel at a time from end to end', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 39 }), { minLength: 4, maxLength: 4 }),
        ([ax, ay, bx, by]) => {
          const line = pixels([ax + 0.5, ay + 0.5, bx + 0.5, by + 0.5]);
          expect(line[0]).toEqual([ax, ay]);
          for (let k = 1; k < line.length; k++)
            expect(
              Math.max(Math.abs(line[k][0] - line[k - 1][0]), Math.abs(line[k][1] - line[k - 1][1])),
            ).toBeLessThanOrEqual(1);
          expect(line).toContainEqual([bx, by]);
        },
      ),
    );
  });

  it('of one point is one pixel, and beyond the picture none', () => {
    expect(pixels([3.2, 4.9])).toEqual([[3, 4]]);
    expect(pixels([-5, -5, -2, -2])).toEqual([]);
  });
});

describe('cutting', () => {
  it('and putting back are each other undone', () => {
    const image = emptyImage(7, 5);
    image.data.forEach((_, i) => (image.data[i] = i));
    const rect = { left: 2, top: 1, right: 6, bottom: 4 };
    const part = cropped(image, rect);
    expect([part.width, part.height, part.data[0]]).toEqual([4, 3, 4 * (7 + 2)]);
    const plane = Float32Array.from({ length: 35 }, (_, i) => i);
    const cut = croppedPlane(plane, 7, rect);
    const back = new Float32Array(35);
    putPlane(back, 7, rect, cut);
    for (let i = 0; i < 35; i++) {
      const [x, y] = [i % 7, Math.floor(i / 7)];
      expect(back[i]).toBe(x >= 2 && x < 6 && y >= 1 && y < 4 ? i : 0);
    }
  });
});

describe('steps of height', () => {
  it('say heights to half a step, and hold what is beyond', () => {
    const heights = Float32Array.of(0, 1.5, -3.25, 500, -500);
    const steps = heightSteps(heights);
    expect([...steps].map(heightOfStep).slice(0, 3)).toEqual([0, 1.5, -3.25]);
    expect([steps[3], steps[4]]).toEqual([65535, 0]);
  });
});
