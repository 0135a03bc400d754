import fc from 'fast-check';
import { expect, it } from 'vitest';
import { upsampled } from './upsampled';

it('a reduced relief is brought to size block by block; what is left over goes on from the last block', () => {
  const side = fc.integer({ min: 1, max: 13 });
  fc.assert(
    fc.property(side, side, fc.constantFrom(1, 2, 4), (width, height, factor) => {
      const [w, h] = [Math.max(1, Math.floor(width / factor)), Math.max(1, Math.floor(height / factor))];
      const small = {
        width: w,
        height: h,
        normals: Uint8Array.from({ length: 4 * w * h }, (_, i) => (i * 37) & 255),
        heights: Float32Array.from({ length: w * h }, (_, i) => i - 3),
      };
      const large = upsampled(small, factor, width, height);
      expect([large.width, large.height]).toEqual([width, height]);
      for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
          const from = Math.min(h - 1, Math.floor(y / factor)) * w + Math.min(w - 1, Math.floor(x / factor));
          const to = y * width + x;
          expect(large.heights[to]).toBe(small.heights[from] * factor);
          expect([...large.normals.subarray(4 * to, 4 * to + 4)]).toEqual([
            ...small.normals.subarray(4 * from, 4 * from + 4),
          ]);
        }
      }
    }),
  );
});
