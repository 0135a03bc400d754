/**
 * Exact Euclidean distance of every inside pixel's centre from the nearest outside one (Felzenszwalb and
 * Huttenlocher 2012): squared distances down the columns, then the lower envelope of parabolas along the rows.
 * Beyond the picture counts as outside unless `borderInside`. Cost: a constant number of steps a pixel.
 */

/** Larger than any squared distance in a picture, small enough to keep sums exact. */
const FAR = 1e9;

/**
 * @param inside width * height flags, row by row
 * @param borderInside whether the picture goes on beyond its border, as a tile does
 * @returns distances in px, 0 outside
 */
export function distanceInside(
  inside: Uint8Array,
  width: number,
  height: number,
  borderInside: boolean,
): Float32Array {
  if (inside.length !== width * height) {
    throw new RangeError(`expected ${width * height} values for ${width}x${height}, got ${inside.length}`);
  }
  const out = new Float32Array(width * height);
  columns(inside, width, height, borderInside, out);
  rows(width, height, borderInside, out);
  return out;
}

/** Squared distance to the nearest outside pixel of the same column. */
function columns(
  inside: Uint8Array,
  width: number,
  height: number,
  borderInside: boolean,
  out: Float32Array,
): void {
  const beyond = borderInside ? FAR : 0;
  const run = new Float64Array(width).fill(beyond === 0 ? 0 : FAR);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      run[x] = inside[i] ? Math.min(FAR, run[x] + 1) : 0;
      out[i] = run[x];
    }
  }
  run.fill(beyond === 0 ? 0 : FAR);
  for (let y = height - 1; y >= 0; y--) {
    for (let x = 0, i = y * width; x < width; x++, i++) {
      run[x] = inside[i] ? Math.min(FAR, run[x] + 1) : 0;
      const least = Math.min(out[i], run[x]);
      out[i] = least > 30_000 ? FAR : least * least;
    }
  }
}

function rows(width: number, height: number, borderInside: boolean, out: Float32Array): void {
  // One more parabola on either side stands for what lies beyond the picture.
  const pad = borderInside ? 0 : 1;
  const n = width + 2 * pad;
  const f = new Float64Array(n);
  const vertex = new Int32Array(n);
  const from = new Float64Array(n + 1);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let x = 0; x < width; x++) f[x + pad] = out[row + x];
    let k = 0;
    vertex[0] = 0;
    from[0] = -Infinity;
    from[1] = Infinity;
    for (let q = 1; q < n; q++) {
      let s = meet(f, q, vertex[k]);
      while (s <= from[k]) s = meet(f, q, vertex[--k]);
      vertex[++k] = q;
      from[k] = s;
      from[k + 1] = Infinity;
    }
    k = 0;
    for (let q = pad; q < n - pad; q++) {
      while (from[k + 1] < q) k++;
      const away = q - vertex[k];
      out[row + q - pad] = Math.sqrt(away * away + f[vertex[k]]);
    }
  }
}

function meet(f: Float64Array, q: number, v: number): number {
  return (f[q] + q * q - (f[v] + v * v)) / (2 * (q - v));
}
