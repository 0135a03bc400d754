/**
 * Distance from the silhouette, inside. Where its edge is anti-aliased the edge runs through the pixels: from the
 * coverage of an edge pixel and its gradient follows a short piece of the edge (Gustavson and Strand 2011), and a
 * pixel's distance is that to the nearest piece. Where
 * coverage is binary the distance is to the nearest outside pixel's centre, less half a pixel.
 */
import { ALL_CLOSED, distanceInside, nearestSites, type Beyond } from '../raster/distance';
import type { Silhouette } from './silhouette';

/** Half the length of a piece of edge; a little over half a pixel, so that pieces of neighbours meet. */
const HALF_PIECE_PX = 0.75;
/** With this share of its edge pixels partly covered a silhouette counts as anti-aliased. */
const SOFT_SHARE = 0.15;

export interface Depth {
  /** px, 0 outside. */
  depth: Float32Array;
  /** Whether the edge was anti-aliased. */
  isSoft: boolean;
}

/** @param mostPx distances beyond this one need not be exact */
export function depthInside(silhouette: Silhouette, beyond: Beyond = ALL_CLOSED, mostPx = Infinity): Depth {
  const pieces = edgePieces(silhouette, beyond);
  if (pieces) return { depth: softDepth(silhouette, pieces, mostPx), isSoft: true };
  const { width, height, inside } = silhouette;
  const depth = distanceInside(inside, width, height, beyond);
  for (let i = 0; i < depth.length; i++) if (inside[i]) depth[i] -= 0.5;
  return { depth, isSoft: false };
}

interface EdgePieces {
  sites: Uint8Array;
  /** Number of the piece at a pixel. */
  number: Int32Array;
  /** Middle x and y, inward normal x and y, four a piece. */
  values: Float64Array;
}

/** The pieces of an anti-aliased edge; null where the edge is binary. */
function edgePieces(silhouette: Silhouette, beyond: Beyond): EdgePieces | null {
  const { width, height, alpha, inside } = silhouette;
  const sites = new Uint8Array(width * height);
  const at = coverageReader(silhouette, beyond);
  let soft = 0;
  let hard = 0;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const a = alpha[i];
      if (a === 0) continue;
      const isInside = inside[i] === 1;
      const l = at(x - 1, y);
      const r = at(x + 1, y);
      const t = at(x, y - 1);
      const b = at(x, y + 1);
      if (a < 255) {
        const meetsOther =
          l >= 128 !== isInside || r >= 128 !== isInside || t >= 128 !== isInside || b >= 128 !== isInside;
        if (!meetsOther) continue;
        soft++;
      } else {
        if (l > 0 && r > 0 && t > 0 && b > 0) continue;
        hard++;
      }
      sites[i] = 1;
    }
  }
  if (soft === 0 || soft < SOFT_SHARE * (soft + hard)) return null;
  const number = new Int32Array(width * height);
  const values = new Float64Array(4 * (soft + hard));
  let count = 0;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!sites[i]) continue;
      number[i] = count;
      setPiece(at, x, y, alpha[i] / 255, values, 4 * count++);
    }
  }
  return { sites, number, values: evened(width, height, sites, number, values) };
}

/** Neighbours whose normals differ by less than some 40 degrees are of one straight or gently bent edge. */
const SAME_EDGE = 0.75;

/**
 * Coverage comes in 255 steps and its gradient is an estimate, so pieces jump by a few hundredths of a px; far inside,
 * where the distances to two neighbours meet, that is a kink. Each piece is moved across to the mean of its neighbours.
 */
function evened(
  width: number,
  height: number,
  sites: Uint8Array,
  number: Int32Array,
  values: Float64Array,
): Float64Array {
  const out = values.slice();
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!sites[i]) continue;
      const k = 4 * number[i];
      let nx = 0;
      let ny = 0;
      let off = 0;
      let count = 0;
      for (let py = Math.max(0, y - 2); py <= y + 2 && py < height; py++) {
        for (let px = Math.max(0, x - 2); px <= x + 2 && px < width; px++) {
          const j = py * width + px;
          if (!sites[j]) continue;
          const m = 4 * number[j];
          if (values[k + 2] * values[m + 2] + values[k + 3] * values[m + 3] < SAME_EDGE) continue;
          nx += values[m + 2];
          ny += values[m + 3];
          off += (values[m] - values[k]) * values[k + 2] + (values[m + 1] - values[k + 1]) * values[k + 3];
          count++;
        }
      }
      if (count === 0) continue;
      const length = Math.sqrt(nx * nx + ny * ny);
      out[k] += (values[k + 2] * off) / count;
      out[k + 1] += (values[k + 3] * off) / count;
      out[k + 2] = nx / length;
      out[k + 3] = ny / length;
    }
  }
  return out;
}

type Coverage = (x: number, y: number) => number;

/** Coverage with nothing beyond the picture, or the border's own where the picture goes on. */
function coverageReader({ width, height, alpha }: Silhouette, { openX, openY }: Beyond): Coverage {
  return (x, y) => {
    let cx = x;
    let cy = y;
    if (cx < 0 || cx >= width) {
      if (!openX) return 0;
      cx = cx < 0 ? 0 : width - 1;
    }
    if (cy < 0 || cy >= height) {
      if (!openY) return 0;
      cy = cy < 0 ? 0 : height - 1;
    }
    return alpha[cy * width + cx];
  };
}

function setPiece(at: Coverage, x: number, y: number, a: number, values: Float64Array, k: number): void {
  const diagonal = (sx: number, sy: number) => at(x + sx, y + sy);
  // Rows 1, root 2, 1: the gradient of a straight edge's coverage points across it.
  const gx =
    diagonal(1, -1) +
    diagonal(1, 1) -
    diagonal(-1, -1) -
    diagonal(-1, 1) +
    Math.SQRT2 * (at(x + 1, y) - at(x - 1, y));
  const gy =
    diagonal(-1, 1) +
    diagonal(1, 1) -
    diagonal(-1, -1) -
    diagonal(1, -1) +
    Math.SQRT2 * (at(x, y + 1) - at(x, y - 1));
  const length = Math.sqrt(gx * gx + gy * gy);
  // Between two edges as near the gradient says nothing: the piece is then the pixel's middle.
  const [nx, ny] = length === 0 ? [0, 0] : [gx / length, gy / length];
  const depth = length === 0 ? 0 : depthByCoverage(Math.abs(nx), Math.abs(ny), a);
  values[k] = x - nx * depth;
  values[k + 1] = y - ny * depth;
  values[k + 2] = nx;
  values[k + 3] = ny;
}

/** How far a straight edge with the normal (nx, ny) lies outward of the centre of a pixel that it covers by a. */
function depthByCoverage(nx: number, ny: number, a: number): number {
  const big = Math.max(nx, ny);
  const small = Math.min(nx, ny);
  const corner = (0.5 * small) / big;
  if (a < corner) return Math.sqrt(2 * big * small * a) - 0.5 * (big + small);
  if (a < 1 - corner) return (a - 0.5) * big;
  return 0.5 * (big + small) - Math.sqrt(2 * big * small * (1 - a));
}

/** Rounds after which hardly a pixel finds a nearer piece. */
const ROUNDS = 2;
/** Steps along the edge after that; more than a few are never taken. */
const MOST_STEPS = 16;

/**
 * Distances to the nearest piece. The nearest edge pixel's piece need not be the nearest: far inside a bend many lie
 * nearly as far. So pixels ask their neighbours for their pieces, to and fro (after Danielsson 1980).
 */
function softDepth(
  { width, height, inside }: Silhouette,
  { sites, number, values }: EdgePieces,
  mostPx: number,
): Float32Array {
  const nearest = nearestSites(sites, width, height);
  const piece = new Int32Array(width * height).fill(-1);
  const squared = new Float64Array(width * height);
  const far = (mostPx + 2) * (mostPx + 2);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      // Pieces of outside pixels are known to their neighbours too.
      if (!inside[i] && sites[i]) piece[i] = number[i];
      if (!inside[i] || nearest[i] < 0) continue;
      piece[i] = number[nearest[i]];
      squared[i] = squaredTo(values, piece[i], x, y);
    }
  }
  const tryPiece = (i: number, x: number, y: number, other: number) => {
    if (other < 0 || other === piece[i]) return;
    const s = squaredTo(values, other, x, y);
    if (s >= squared[i]) return;
    squared[i] = s;
    piece[i] = other;
  };
  const ask = (i: number, x: number, y: number, j: number) => {
    tryPiece(i, x, y, piece[j]);
    // An edge pixel may itself lie nearer to a neighbour's piece, and still has its own to give.
    if (sites[j]) tryPiece(i, x, y, number[j]);
  };
  for (let round = 0; round < ROUNDS; round++) {
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i++) {
        if (!inside[i] || squared[i] > far) continue;
        if (x > 0) ask(i, x, y, i - 1);
        if (y === 0) continue;
        ask(i, x, y, i - width);
        if (x > 0) ask(i, x, y, i - width - 1);
        if (x < width - 1) ask(i, x, y, i - width + 1);
      }
    }
    for (let y = height - 1, i = width * height - 1; y >= 0; y--) {
      for (let x = width - 1; x >= 0; x--, i--) {
        if (!inside[i] || squared[i] > far) continue;
        if (x < width - 1) ask(i, x, y, i + 1);
        if (y === height - 1) continue;
        ask(i, x, y, i + width);
        if (x > 0) ask(i, x, y, i + width - 1);
        if (x < width - 1) ask(i, x, y, i + width + 1);
      }
    }
  }
  const pixelOf = new Int32Array(values.length / 4);
  for (let i = 0; i < sites.length; i++) if (sites[i]) pixelOf[number[i]] = i;
  /** Goes from piece to piece along the edge for as long as that leads nearer. */
  const climb = (i: number, x: number, y: number) => {
    for (let step = 0; step < MOST_STEPS; step++) {
      const from = piece[i];
      const at = pixelOf[from];
      const ax = at % width;
      const ay = (at - ax) / width;
      for (let py = Math.max(0, ay - 1); py <= ay + 1 && py < height; py++) {
        for (let px = Math.max(0, ax - 1); px <= ax + 1 && px < width; px++) {
          const j = py * width + px;
          if (sites[j]) tryPiece(i, x, y, number[j]);
        }
      }
      if (piece[i] === from) return;
    }
  };
  const out = new Float32Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!inside[i] || piece[i] < 0) continue;
      if (squared[i] <= far) climb(i, x, y);
      out[i] = Math.sqrt(squared[i]);
    }
  }
  return out;
}

/** Squared distance of a pixel's centre from a piece of edge. */
function squaredTo(values: Float64Array, piece: number, x: number, y: number): number {
  const k = 4 * piece;
  const dx = x - values[k];
  const dy = y - values[k + 1];
  if (values[k + 2] === 0 && values[k + 3] === 0) return dx * dx + dy * dy;
  const across = dx * values[k + 2] + dy * values[k + 3];
  const along = Math.abs(dy * values[k + 2] - dx * values[k + 3]);
  const past = along > HALF_PIECE_PX ? along - HALF_PIECE_PX : 0;
  return across * across + past * past;
}
