/**
 * Exact Euclidean distances (Felzenszwalb and Huttenlocher 2012): nearest sites down the columns, then the lower
 * envelope of parabolas along the rows. Cost: a constant number of steps a pixel.
 */

const NONE = -1;
/** Stands for the row of a column without a site; its square is beyond every distance within a picture. */
const FAR_ROW = 1 << 14;

/** Which of the picture's own borders count as outside; a seamless tile goes on beyond its border. */
export interface Beyond {
  openX: boolean;
  openY: boolean;
}

export const ALL_CLOSED: Beyond = { openX: false, openY: false };

/**
 * @param sites width * height flags, row by row
 * @returns for each pixel the index of the nearest site (of equally near ones any); -1 where there is none at all
 */
export function nearestSites(sites: Uint8Array, width: number, height: number): Int32Array {
  checkSize(sites, width, height);
  const out = new Int32Array(width * height);
  const rowOf = siteRows(sites, width, height);
  const f = new Float64Array(width);
  const vertex = new Int32Array(width);
  const from = new Float64Array(width + 1);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let k = -1;
    for (let q = 0; q < width; q++) {
      const away = rowOf[row + q] - y;
      if (rowOf[row + q] >= FAR_ROW) continue;
      f[q] = away * away + q * q;
      let s = -Infinity;
      while (k >= 0) {
        s = (f[q] - f[vertex[k]]) / (2 * (q - vertex[k]));
        if (s > from[k]) break;
        k--;
      }
      from[++k] = k === 0 ? -Infinity : s;
      vertex[k] = q;
    }
    if (k < 0) {
      out.fill(NONE, row, row + width);
      continue;
    }
    from[k + 1] = Infinity;
    k = 0;
    for (let q = 0; q < width; q++) {
      while (from[k + 1] < q) k++;
      out[row + q] = rowOf[row + vertex[k]] * width + vertex[k];
    }
  }
  return out;
}

/** The row of the nearest site of the same column. */
function siteRows(sites: Uint8Array, width: number, height: number): Int16Array {
  const rowOf = new Int16Array(width * height);
  const run = new Int32Array(width).fill(-FAR_ROW);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (sites[i]) run[x] = y;
      rowOf[i] = run[x];
    }
  }
  run.fill(FAR_ROW);
  for (let y = height - 1; y >= 0; y--) {
    for (let x = 0, i = y * width; x < width; x++, i++) {
      if (sites[i]) run[x] = y;
      if (run[x] - y < y - rowOf[i]) rowOf[i] = run[x];
      else if (rowOf[i] < 0) rowOf[i] = FAR_ROW;
    }
  }
  return rowOf;
}

/**
 * @param inside width * height flags, row by row
 * @returns distances in px of every inside pixel's centre from the nearest outside one, 0 outside; where nothing is
 *   outside, the longest distance that a float holds as a whole number
 */
export function distanceInside(
  inside: Uint8Array,
  width: number,
  height: number,
  beyond: Beyond,
): Float32Array {
  checkSize(inside, width, height);
  const outside = inside.map((flag) => 1 - flag);
  const nearest = nearestSites(outside, width, height);
  const out = new Float32Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!inside[i]) continue;
      const d = distanceTo(nearest[i], x, y, width);
      out[i] = Math.min(d, distanceBeyond(x, y, width, height, beyond));
    }
  }
  return out;
}

const FARTHEST = 1 << 24;

function distanceTo(site: number, x: number, y: number, width: number): number {
  if (site < 0) return FARTHEST;
  const sx = site % width;
  const dx = sx - x;
  const dy = (site - sx) / width - y;
  return Math.sqrt(dx * dx + dy * dy);
}

/** Distance from a pixel's centre to that of the nearest pixel beyond the picture. */
export function distanceBeyond(
  x: number,
  y: number,
  width: number,
  height: number,
  { openX, openY }: Beyond,
): number {
  const across = openX ? FARTHEST : Math.min(x + 1, width - x);
  const down = openY ? FARTHEST : Math.min(y + 1, height - y);
  return Math.min(across, down);
}

function checkSize(flags: Uint8Array, width: number, height: number): void {
  if (flags.length !== width * height) {
    throw new RangeError(`expected ${width * height} values for ${width}x${height}, got ${flags.length}`);
  }
}
