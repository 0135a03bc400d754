/** A reduced relief brought to the art's size, each value as a block. */
import type { ReliefResult } from '@/core/relief/relief-of';

export function upsampled(small: ReliefResult, factor: number, width: number, height: number): ReliefResult {
  const normals = new Uint8Array(width * height * 4);
  const heights = new Float32Array(width * height);
  const from = new Uint32Array(small.normals.buffer);
  const to = new Uint32Array(normals.buffer);
  for (let y = 0, i = 0; y < height; y++) {
    const row = Math.min(small.height - 1, Math.floor(y / factor)) * small.width;
    for (let x = 0; x < width; x++, i++) {
      const j = row + Math.min(small.width - 1, Math.floor(x / factor));
      to[i] = from[j];
      heights[i] = small.heights[j] * factor;
    }
  }
  return { width, height, normals, heights };
}
