/**
 * Solves Laplacian u = -4 inside a silhouette, u = 0 on it, by full multigrid (Brandt 1977) with red-black sweeps.
 * Unknowns stand at pixel centres. Toward an outside neighbour the border lies where coverage crosses one half, and
 * the stencil has unequal arms there (Shortley and Weller 1938). A coarse cell is inside only if at least three of
 * its four fine cells are; with fewer the coarse problem is larger than the fine one and the cycle diverges.
 * Cost: about ten sweeps' worth a cycle, three to five cycles.
 */

/** Converged where a cycle changes u by less than this share of its maximum; height is its root, so 0.25 % there. */
const ENOUGH = 0.005;
const MOST_CYCLES = 16;
const SWEEPS = 2;
/** More sweeps on the border band, where unequal arms slow the smoothing. */
const BORDER_SWEEPS = 2;
/** Arms are never shorter than this, or their weights would swamp the rest. */
const SHORTEST_ARM = 0.05;
const COARSEST_SIDE = 3;
const COARSEST_SWEEPS = 40;

interface Level {
  width: number;
  height: number;
  /** 0 outside, 1 inside with four inside neighbours, 2 inside at the border. */
  kind: Uint8Array;
  /** Indices of border cells, the red ones first. */
  border: Int32Array;
  reds: number;
  /** Weights of left, right, up, down and the diagonal's inverse, five a border cell. */
  weights: Float32Array;
  u: Float32Array;
  /** Right-hand side times the squared cell width. */
  rhs: Float32Array;
}

/**
 * @param alpha coverage of each pixel; from 128 on a pixel is inside
 * @returns u in px squared, 0 outside
 */
export function inflatePotential(alpha: Uint8Array, width: number, height: number): Float32Array {
  const levels = [fineLevel(alpha, width, height)];
  while (Math.min(levels.at(-1)!.width, levels.at(-1)!.height) > COARSEST_SIDE)
    levels.push(coarser(levels.at(-1)!));
  const fine = levels[0];
  fine.rhs.fill(4);
  // Full multigrid: the coarse answers, each a quarter of the cells, start the finer ones.
  for (let l = 1, cells = 4; l < levels.length; l++, cells *= 4) levels[l].rhs.fill(4 * cells);
  for (let l = levels.length - 1; l >= 0; l--) {
    cycle(levels, l);
    if (l > 0) {
      levels[l - 1].u.fill(0);
      addCorrection(levels[l], levels[l - 1]);
    }
  }
  const before = new Float32Array(fine.u.length);
  for (let i = 0; i < MOST_CYCLES; i++) {
    before.set(fine.u);
    cycle(levels, 0);
    if (largestChange(before, fine.u) <= ENOUGH) break;
  }
  return fine.u;
}

function largestChange(before: Float32Array, after: Float32Array): number {
  let change = 0;
  let top = 0;
  for (let i = 0; i < after.length; i++) {
    const d = Math.abs(after[i] - before[i]);
    if (d > change) change = d;
    if (after[i] > top) top = after[i];
  }
  return top === 0 ? 0 : change / top;
}

function fineLevel(alpha: Uint8Array, width: number, height: number): Level {
  const at = (x: number, y: number) =>
    x < 0 || y < 0 || x >= width || y >= height ? 0 : alpha[y * width + x];
  const arm = (own: number, other: number) =>
    other >= 128 ? 1 : Math.max(SHORTEST_ARM, Math.min(1, (own - 127.5) / Math.max(1, own - other)));
  return level(
    width,
    height,
    (x, y) => alpha[y * width + x] >= 128,
    (x, y) => {
      const own = at(x, y);
      return [arm(own, at(x - 1, y)), arm(own, at(x + 1, y)), arm(own, at(x, y - 1)), arm(own, at(x, y + 1))];
    },
  );
}

function coarser(fine: Level): Level {
  const width = Math.ceil(fine.width / 2);
  const height = Math.ceil(fine.height / 2);
  const isInside = (x: number, y: number) => {
    let count = 0;
    for (let k = 0; k < 4; k++) {
      const fx = 2 * x + (k & 1);
      const fy = 2 * y + (k >> 1);
      if (fx < fine.width && fy < fine.height && fine.kind[fy * fine.width + fx] > 0) count++;
    }
    return count >= 3;
  };
  const flags = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) flags[y * width + x] = isInside(x, y) ? 1 : 0;
  const at = (x: number, y: number) =>
    x >= 0 && y >= 0 && x < width && y < height && flags[y * width + x] === 1;
  const arm = (x: number, y: number) => (at(x, y) ? 1 : 0.5);
  return level(width, height, at, (x, y) => [arm(x - 1, y), arm(x + 1, y), arm(x, y - 1), arm(x, y + 1)]);
}

function level(
  width: number,
  height: number,
  isInside: (x: number, y: number) => boolean,
  arms: (x: number, y: number) => [number, number, number, number],
): Level {
  const kind = new Uint8Array(width * height);
  const border: [number[], number[]] = [[], []];
  const weights: [number[], number[]] = [[], []];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (!isInside(x, y)) continue;
      const i = y * width + x;
      const inner =
        x > 0 &&
        y > 0 &&
        x < width - 1 &&
        y < height - 1 &&
        isInside(x - 1, y) &&
        isInside(x + 1, y) &&
        isInside(x, y - 1) &&
        isInside(x, y + 1);
      kind[i] = inner ? 1 : 2;
      if (inner) continue;
      const colour = (x + y) & 1;
      const [l, r, t, b] = arms(x, y);
      // An arm that ends on the border has no neighbour to weigh, but counts in the diagonal.
      const w = [2 / (l * (l + r)), 2 / (r * (l + r)), 2 / (t * (t + b)), 2 / (b * (t + b))];
      const sum = w[0] + w[1] + w[2] + w[3];
      const near = [l, r, t, b].map((a, k) => (a === 1 && neighbourInside(x, y, k) ? w[k] : 0));
      border[colour].push(i);
      weights[colour].push(...near, 1 / sum);
    }
  }
  function neighbourInside(x: number, y: number, k: number): boolean {
    const nx = x + [-1, 1, 0, 0][k];
    const ny = y + [0, 0, -1, 1][k];
    return nx >= 0 && ny >= 0 && nx < width && ny < height && isInside(nx, ny);
  }
  return {
    width,
    height,
    kind,
    border: Int32Array.from([...border[0], ...border[1]]),
    reds: border[0].length,
    weights: Float32Array.from([...weights[0], ...weights[1]]),
    u: new Float32Array(width * height),
    rhs: new Float32Array(width * height),
  };
}

/** One V-cycle from level l down. */
function cycle(levels: Level[], l: number): void {
  const here = levels[l];
  if (l === levels.length - 1) {
    sweep(here, COARSEST_SWEEPS);
    return;
  }
  sweep(here, SWEEPS);
  const below = levels[l + 1];
  restrictResidual(here, below);
  below.u.fill(0);
  cycle(levels, l + 1);
  addCorrection(below, here);
  sweep(here, SWEEPS);
}

function sweep(level: Level, times: number): void {
  for (let i = 0; i < BORDER_SWEEPS; i++) sweepBorder(level);
  for (let i = 0; i < times; i++) {
    for (let colour = 0; colour < 2; colour++) {
      sweepInner(level, colour);
      sweepBorderOf(level, colour);
    }
  }
  for (let i = 0; i < BORDER_SWEEPS; i++) sweepBorder(level);
}

function sweepBorder(level: Level): void {
  sweepBorderOf(level, 0);
  sweepBorderOf(level, 1);
}

function sweepInner({ width, height, kind, u, rhs }: Level, colour: number): void {
  for (let y = 1; y < height - 1; y++) {
    const row = y * width;
    for (let i = row + 2 - ((y + colour + 1) & 1), end = row + width - 1; i < end; i += 2) {
      if (kind[i] === 1) u[i] = 0.25 * (u[i - 1] + u[i + 1] + u[i - width] + u[i + width] + rhs[i]);
    }
  }
}

function sweepBorderOf(level: Level, colour: number): void {
  const { border, reds, weights, u, rhs } = level;
  const start = colour === 0 ? 0 : reds;
  const end = colour === 0 ? reds : border.length;
  for (let k = start; k < end; k++) {
    const i = border[k];
    u[i] = (rhs[i] + neighbourSum(level, i, k)) * weights[5 * k + 4];
  }
}

function neighbourSum({ width, weights, u }: Level, i: number, k: number): number {
  const w = 5 * k;
  let sum = 0;
  if (weights[w] !== 0) sum += weights[w] * u[i - 1];
  if (weights[w + 1] !== 0) sum += weights[w + 1] * u[i + 1];
  if (weights[w + 2] !== 0) sum += weights[w + 2] * u[i - width];
  if (weights[w + 3] !== 0) sum += weights[w + 3] * u[i + width];
  return sum;
}

/** Sum of the four residuals: their mean, times the four that the coarse cell's squared width brings. */
function restrictResidual(fine: Level, coarse: Level): void {
  const { width, kind, u, rhs } = fine;
  coarse.rhs.fill(0);
  const add = (i: number, residual: number) => {
    const x = i % width;
    const y = (i - x) / width;
    coarse.rhs[(y >> 1) * coarse.width + (x >> 1)] += residual;
  };
  for (let y = 1; y < fine.height - 1; y++) {
    const row = y * width;
    const coarseRow = (y >> 1) * coarse.width;
    for (let x = 1; x < width - 1; x++) {
      const i = row + x;
      if (kind[i] !== 1) continue;
      coarse.rhs[coarseRow + (x >> 1)] +=
        rhs[i] + u[i - 1] + u[i + 1] + u[i - width] + u[i + width] - 4 * u[i];
    }
  }
  for (let k = 0; k < fine.border.length; k++) {
    const i = fine.border[k];
    add(i, rhs[i] + neighbourSum(fine, i, k) - u[i] / fine.weights[5 * k + 4]);
  }
}

/** Adds the coarse values to the fine ones, bilinear between cell centres. */
function addCorrection(coarse: Level, fine: Level): void {
  const { width, height, kind, u } = fine;
  for (let y = 0; y < height; y++) {
    const cy = y >> 1;
    const ny = Math.min(coarse.height - 1, Math.max(0, cy + (y & 1 ? 1 : -1)));
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (kind[i] === 0) continue;
      const cx = x >> 1;
      const nx = Math.min(coarse.width - 1, Math.max(0, cx + (x & 1 ? 1 : -1)));
      const own = coarse.u[cy * coarse.width + cx];
      u[i] +=
        0.5625 * own +
        0.1875 * (coarse.u[cy * coarse.width + nx] + coarse.u[ny * coarse.width + cx]) +
        0.0625 * coarse.u[ny * coarse.width + nx];
    }
  }
}
