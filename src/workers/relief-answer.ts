/** What a worker answers when it is asked for a relief. */
import type { Remark } from '@/core/relief/remarks';

export interface ReliefAnswer {
  normals: Uint8Array;
  heights: Float32Array;
  /** Which share of each pixel is self-lit; null where nothing is. */
  glow: Uint8Array | null;
  remarks: Remark[];
  /** Milliseconds of the work. */
  took: number;
}
