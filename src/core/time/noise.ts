/** Gradient noise on an integer lattice (Perlin 1985) with an integer hash, one-dimensional and closed over a loop. */

/** A well-mixed 32-bit hash of two integers (finaliser of MurmurHash3, Appleby 2011). */
export function hash2(seed: number, cell: number): number {
  let h = (Math.imul(seed | 0, 0x9e3779b1) ^ Math.imul(cell | 0, 0x85ebca6b)) | 0;
  h ^= h >>> 16;
  h = Math.imul(h, 0x85ebca6b);
  h ^= h >>> 13;
  h = Math.imul(h, 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

/** A 32-bit hash of an id's characters (FNV-1a). */
export function hashText(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return hash2(h, text.length);
}

/** 0 up to, but not including, 1. */
export function hash01(seed: number, cell: number): number {
  return hash2(seed, cell) / 4294967296;
}

/**
 * Smooth noise at `at` cells of a lattice that closes after `cells` whole cells.
 * @returns -1 to 1, zero at every lattice point
 */
export function loopNoise(seed: number, at: number, cells: number): number {
  const floor = Math.floor(at);
  const t = at - floor;
  // Not by the remainder, which is slow to find in floats.
  const cell = floor - cells * Math.floor(floor / cells);
  const slope0 = hash01(seed, cell) * 2 - 1;
  const slope1 = hash01(seed, cell + 1 === cells ? 0 : cell + 1) * 2 - 1;
  const fade = t * t * t * (t * (t * 6 - 15) + 10);
  const low = slope0 * t;
  const high = slope1 * (t - 1);
  // The steepest two slopes meet at half height 1/2, so twice the value spans -1 to 1.
  return 2 * (low + (high - low) * fade);
}
