/** A reduced relief brought to the art's size, each value as a block. */
import type { ReliefResult } from '@/core/relief/relief-of';

export function upsampled(small: ReliefResult, factor: number, width: number, height: number): ReliefResult {
  const normals = new Uint8Array(width * height * 4);
  const heights = new Float32Array(width * height);
  const from = new Uint32Array(small.normals.buffer);
  const to = new Uint32Array(normals.buffer);
  for (let y = 0; y < height; y++) {
    const start = y * width;
    const above = start - width;
    // Rows of one row of blocks are alike; what is left over below the last block goes on from it.
    if (y > 0 && (y % factor !== 0 || y >= small.height * factor)) {
      to.copyWithin(start, above, start);
      heights.copyWithin(start, above, start);
      continue;
    }
    const row = (y / factor) * small.width;
    for (let x = 0; x < small.width; x++) {
      const end = x === small.width - 1 ? start + width : start + (x + 1) * factor;
      to.fill(from[row + x], start + x * factor, end);
      heights.fill(small.heights[row + x] * factor, start + x * factor, end);
    }
  }
  return { width, height, normals, heights };
}
