import { expect, it } from 'vitest';
import { enlarged } from './image';

it('enlarges each pixel to a square of the same', () => {
  const pixels = [
    [1, 2, 3, 255],
    [4, 5, 6, 255],
  ];
  const image = { width: 2, height: 1, data: Uint8Array.from(pixels.flat()) };
  expect(enlarged(image, 1)).toBe(image);
  const { width, height, data } = enlarged(image, 3);
  expect([width, height]).toEqual([6, 3]);
  for (let y = 0; y < 3; y++)
    for (let x = 0; x < 6; x++) {
      const at = 4 * (6 * y + x);
      expect([...data.subarray(at, at + 4)]).toEqual(pixels[Math.floor(x / 3)]);
    }
});
