import { describe, expect, it } from 'vitest';
import { dialPlace, dialValues } from './dial';

describe('a dial of colour', () => {
  it('finds the point of channels again, and leaves their mean', () => {
    const values = dialValues([1.1, 0.9, 1], [0.3, -0.4], 0.5);
    expect((values[0] + values[1] + values[2]) / 3).toBeCloseTo(1, 12);
    const [x, y] = dialPlace(values, 0.5);
    expect(x).toBeCloseTo(0.3, 12);
    expect(y).toBeCloseTo(-0.4, 12);
  });

  it('has red at the right rim, and nothing parted in the middle', () => {
    const [red, green, blue] = dialValues([1, 1, 1], [1, 0], 0.2);
    expect([red, green, blue].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([1.2, 0.9, 0.9]);
    expect(dialPlace([0.7, 0.7, 0.7], 0.2).map((v) => Math.abs(Math.round(v * 1e9)))).toEqual([0, 0]);
    // A power is pulled the other way.
    expect(dialPlace([0.9, 1, 1], -0.5)[0]).toBeGreaterThan(0);
  });
});
