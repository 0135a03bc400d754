/**
 * Planes at halved sizes, for smoothings of many widths at the cost of one. Halving is symmetric: an even side takes
 * means of pairs, an odd one every second value after 1 2 1, so that a mirrored or turned picture gives the mirrored
 * or turned plane. Doubling is the matching subdivision, of quadratic B-splines (Chaikin 1974) for even sides and of
 * cubic ones for odd sides, so that what was coarse comes back without facets. Values outside a mask take no part:
 * planes are carried times their share of the mask, and divided by it where they are read.
 */

export interface Level {
  width: number;
  height: number;
  /** Values times their shares. */
  sums: Float32Array;
  /** Share of each cell that is inside the mask; null where all of it is. */
  shares: Float32Array | null;
}

/** Smooths in place with weights w, 1 - 2w, w along rows and columns; ends are held. */
export function threeTaps(plane: Float32Array, width: number, height: number, w: number): void {
  const middle = 1 - 2 * w;
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let before = plane[row];
    for (let x = 0; x < width - 1; x++) {
      const own = plane[row + x];
      plane[row + x] = own * middle + w * (before + plane[row + x + 1]);
      before = own;
    }
    const own = plane[row + width - 1];
    plane[row + width - 1] = own * middle + w * (before + own);
  }
  const above = plane.slice(0, width);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const below = y < height - 1 ? row + width : row;
    for (let x = 0; x < width; x++) {
      const own = plane[row + x];
      plane[row + x] = own * middle + w * (above[x] + plane[below + x]);
      above[x] = own;
    }
  }
}

export function tapped(level: Level, w: number): Level {
  const { width, height } = level;
  const sums = level.sums.slice();
  threeTaps(sums, width, height, w);
  const shares = level.shares && level.shares.slice();
  if (shares) threeTaps(shares, width, height, w);
  return { width, height, sums, shares };
}

/** Half a side, rounded up. */
export function halfSide(n: number): number {
  return (n + 1) >> 1;
}

export function halved({ width, height, sums, shares }: Level): Level {
  return {
    width: halfSide(width),
    height: halfSide(height),
    sums: halvedPlane(sums, width, height),
    shares: shares && halvedPlane(shares, width, height),
  };
}

export function halvedPlane(plane: Float32Array, width: number, height: number): Float32Array {
  const w = halfSide(width);
  const h = halfSide(height);
  const across = new Float32Array(w * height);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const to = y * w;
    if (width % 2 === 0) {
      for (let x = 0; x < w; x++) across[to + x] = 0.5 * (plane[row + 2 * x] + plane[row + 2 * x + 1]);
    } else {
      for (let x = 0; x < w; x++) {
        const before = plane[row + (x === 0 ? 0 : 2 * x - 1)];
        const after = plane[row + (x === w - 1 ? width - 1 : 2 * x + 1)];
        across[to + x] = 0.5 * plane[row + 2 * x] + 0.25 * (before + after);
      }
    }
  }
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    const own = 2 * y * w;
    const to = y * w;
    if (height % 2 === 0) {
      for (let x = 0; x < w; x++) out[to + x] = 0.5 * (across[own + x] + across[own + w + x]);
    } else {
      const before = y === 0 ? own : own - w;
      const after = y === h - 1 ? own : own + w;
      for (let x = 0; x < w; x++)
        out[to + x] = 0.5 * across[own + x] + 0.25 * (across[before + x] + across[after + x]);
    }
  }
  return out;
}

/** A plane of half the size brought back to width x height. */
export function doubledPlane(plane: Float32Array, width: number, height: number): Float32Array {
  const w = halfSide(width);
  const h = halfSide(height);
  const down = new Float32Array(w * height);
  for (let y = 0; y < height; y++) {
    const c = y >> 1;
    const to = y * w;
    const own = c * w;
    if (height % 2 === 0) {
      const n = c + (y & 1 ? 1 : -1);
      const near = n < 0 || n >= h ? own : n * w;
      for (let x = 0; x < w; x++) down[to + x] = 0.75 * plane[own + x] + 0.25 * plane[near + x];
    } else if (y & 1) {
      for (let x = 0; x < w; x++) down[to + x] = 0.5 * (plane[own + x] + plane[own + w + x]);
    } else {
      const before = c === 0 ? own : own - w;
      const after = c === h - 1 ? own : own + w;
      for (let x = 0; x < w; x++)
        down[to + x] = 0.75 * plane[own + x] + 0.125 * (plane[before + x] + plane[after + x]);
    }
  }
  const out = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const row = y * w;
    const to = y * width;
    if (width % 2 === 0) {
      for (let c = 0; c < w; c++) {
        const own = 0.75 * down[row + c];
        out[to + 2 * c] = own + 0.25 * down[row + (c === 0 ? 0 : c - 1)];
        out[to + 2 * c + 1] = own + 0.25 * down[row + (c === w - 1 ? c : c + 1)];
      }
    } else {
      for (let c = 0; c < w; c++) {
        const before = down[row + (c === 0 ? 0 : c - 1)];
        const after = down[row + (c === w - 1 ? c : c + 1)];
        out[to + 2 * c] = 0.75 * down[row + c] + 0.125 * (before + after);
        if (c < w - 1) out[to + 2 * c + 1] = 0.5 * (down[row + c] + after);
      }
    }
  }
  return out;
}

/** A level of half the size brought back to width x height, shares with it. */
export function doubled({ sums, shares }: Level, width: number, height: number): Level {
  return {
    width,
    height,
    sums: doubledPlane(sums, width, height),
    shares: shares && doubledPlane(shares, width, height),
  };
}
