import { describe, expect, it } from 'vitest';
import type { ColourTable } from './colour-table';
import { tableSwatch } from './table-swatch';

/** A table of curves by what they do to 0 and to 1. */
const line = (from: number, to: number): ColourTable => ({
  ...{ key: '', dimensions: 1, size: 2, low: [0, 0, 0], high: [1, 1, 1] },
  values: Float32Array.of(from, from, from, to, to, to),
});

const at = (image: ReturnType<typeof tableSwatch>, x: number, y: number) => [
  ...image.data.subarray(4 * (y * image.width + x), 4 * (y * image.width + x) + 4),
];

describe('the small picture of a lookup table', () => {
  it('has white above, pure hues in the middle, black below them, and greys at the foot', () => {
    const plain = tableSwatch(null);
    expect(at(plain, 0, 0)).toEqual([255, 255, 255, 255]);
    expect(at(plain, 40, 43)).toEqual([0, 0, 0, 255]);
    // Between the two rows in the middle red is as good as pure.
    const [red, green, blue] = at(plain, 0, 21);
    expect(red).toBe(255);
    expect(green).toBe(blue);
    expect(green).toBeLessThan(8);
    expect(at(plain, 0, 55)).toEqual([0, 0, 0, 255]);
    expect(at(plain, 83, 55)).toEqual([255, 255, 255, 255]);
  });

  it('shows what the table makes of them, within what a picture can hold', () => {
    expect(tableSwatch(line(0, 1))).toEqual(tableSwatch(null));
    const turned = tableSwatch(line(1, 0));
    const plain = tableSwatch(null);
    for (let i = 0; i < plain.data.length; i++)
      if (i % 4 < 3) expect(Math.abs(turned.data[i] + plain.data[i] - 255)).toBeLessThanOrEqual(1);
    expect(at(tableSwatch(line(-1, 3)), 83, 55)).toEqual([255, 255, 255, 255]);
    expect(at(tableSwatch(line(-1, 3)), 0, 55)).toEqual([0, 0, 0, 255]);
  });
});
