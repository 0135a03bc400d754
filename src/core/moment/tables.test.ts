import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hexToLinear, linearToOklab, oklabToLinear, srgbDecode } from '../raster/colour';
import { curveTable, curveValue, stopsTable } from './tables';
import { TABLE_SIZE } from './moment';

/** Points of a falloff: shares that rise from 0 to 1, with values. */
const drawn = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 99 }), fc.integer({ min: 0, max: 100 })), { maxLength: 8 })
  .map((inner) => {
    const byShare = new Map(inner.map(([u, v]) => [u / 100, v / 100]));
    const rising = [...byShare].sort(([a], [b]) => a - b);
    return [[0, 1], ...rising, [1, 0]].flat();
  });

describe('a drawn falloff', () => {
  it('goes through its points, and begins at 1 and ends at 0 whatever they say', () => {
    expect(curveValue([0, 1, 0.25, 0.5, 1, 0], 0.25)).toBe(0.5);
    const table = curveTable([0, 0.3, 0.5, 0.8, 1, 0.6]);
    expect([table[0], table[TABLE_SIZE - 1]]).toEqual([1, 0]);
    expect(table[(TABLE_SIZE - 1) / 2]).toBeCloseTo(0.8, 6);
  });

  it('is straight between two points', () => {
    for (const u of [0.1, 0.5, 0.9]) expect(curveValue([0, 1, 1, 0], u)).toBeCloseTo(1 - u, 12);
  });

  it('never goes beyond two neighbours between them, and falls where they fall', () => {
    fc.assert(
      fc.property(drawn, (points) => {
        for (let k = 0; k + 3 < points.length; k += 2) {
          const [u0, v0, u1, v1] = points.slice(k, k + 4);
          let last = v0;
          for (let i = 0; i <= 16; i++) {
            const value = curveValue(points, u0 + ((u1 - u0) * i) / 16);
            expect(value).toBeGreaterThanOrEqual(Math.min(v0, v1) - 1e-12);
            expect(value).toBeLessThanOrEqual(Math.max(v0, v1) + 1e-12);
            expect((value - last) * Math.sign(v1 - v0)).toBeGreaterThanOrEqual(-1e-12);
            last = value;
          }
        }
      }),
      { numRuns: 200 },
    );
  });

  it('is made once for the same points', () => {
    const points = [0, 1, 1, 0];
    expect(curveTable(points)).toBe(curveTable(points));
  });
});

describe('colours from core to reach', () => {
  const at = (table: Float32Array, u: number) => [...table.subarray(3 * u * 256, 3 * u * 256 + 3)];

  it('are those of the stops where they stand, the last one to the end', () => {
    const table = stopsTable('#ffffff', [{ at: 0.5, colour: '#ff0000' }], 'linear');
    const close = (values: readonly number[]) => values.map((v) => expect.closeTo(v, 5) as unknown);
    expect(at(table, 0)).toEqual(close([1, 1, 1]));
    expect(at(table, 0.5)).toEqual(close([1, 0, 0]));
    expect(at(table, 1)).toEqual(close([1, 0, 0]));
  });

  it('are mixed in OKLab between them, and encoded where the scene lights encoded values', () => {
    const stops = [{ at: 1, colour: '#204060' }];
    const [a, b] = ['#f0c080', '#204060'].map((hex) => linearToOklab(hexToLinear(hex)));
    const middle = oklabToLinear([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]);
    const linear = at(stopsTable('#f0c080', stops, 'linear'), 0.5);
    const display = at(stopsTable('#f0c080', [...stops], 'display'), 0.5);
    middle.forEach((v, c) => {
      expect(linear[c]).toBeCloseTo(v, 6);
      expect(srgbDecode(display[c])).toBeCloseTo(v, 5);
    });
  });

  it('do not heed the order in which stops are listed', () => {
    const stops = [
      { at: 0.8, colour: '#000080' },
      { at: 0.3, colour: '#ff8000' },
    ];
    expect([...stopsTable('#ffffff', stops, 'linear')]).toEqual([
      ...stopsTable('#ffffff', stops.toReversed(), 'linear'),
    ]);
  });
});
