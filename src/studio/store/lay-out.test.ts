import { describe, expect, it } from 'vitest';
import { laidOut } from './lay-out';

const size = (widthPx: number, heightPx: number) => ({ widthPx, heightPx });

describe('pictures that come in together', () => {
  it('stand beside one another, in rows as wide as there is room', () => {
    const sizes = [size(40, 20), size(30, 50), size(60, 10), size(200, 5), size(10, 10)];
    expect(laidOut(sizes, 100, 50, 120)).toEqual([
      [100, 50],
      [148, 50],
      [100, 108],
      [100, 126],
      [100, 139],
    ]);
  });
});
