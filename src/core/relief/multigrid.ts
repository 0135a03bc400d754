/**
 * Solves Laplacian u = -f on the cells of a picture by full multigrid (Brandt 1977) with red-black sweeps. Unknowns
 * stand at pixel centres. Cells are joined to neighbours of the same label; where a joined neighbour is missing the
 * border is either `zero` (u = 0 there, at the place where coverage crosses one half, with the unequal arms of Shortley
 * and Weller 1938) or `free` (no slope across it). A coarse cell takes a label only if at least three of its four fine
 * cells have it: with fewer the coarse problem is larger than the fine one and the cycle diverges. Free borders have
 * no such trouble and take any. Cost: about ten sweeps' worth a cycle, two to five cycles.
 */

/** What is left of u, as a share of its range, where it counts as solved: half as much of the height, its root. */
const ENOUGH = 0.005;
const MOST_CYCLES = 16;
/** What a cycle leaves of an error where that was not measured on a smaller level. */
const USUAL_RATE = 0.25;
/** The smallest levels are solved outright, and tell nothing of the others. */
const BEST_RATE = 0.15;
const WORST_RATE = 0.9;
const SWEEPS = 1;
/** More sweeps on the border band, where unequal arms slow the smoothing. */
const BORDER_SWEEPS = 2;
/** Arms are never shorter than this, or their weights would swamp the rest. */
const SHORTEST_ARM = 0.05;
const COARSEST_SIDE = 3;
const COARSEST_SWEEPS = 40;

export interface Domain {
  width: number;
  height: number;
  /** Cells of one label hang together; 0 is outside. */
  labels: Uint16Array;
  /** Coverage, by which the border is found between two pixels; null puts it half way. */
  alpha: Uint8Array | null;
  border: 'zero' | 'free';
  /** Whether the picture's own left and right, upper and lower border are free. */
  openX: boolean;
  openY: boolean;
}

interface Level extends Domain {
  /** 0 outside, 1 joined to all four neighbours, 2 at a border. */
  kind: Uint8Array;
  /** First and last cell of each row that is not outside; the last is before the first in an empty row. */
  first: Int32Array;
  last: Int32Array;
  /** Indices of border cells, the red ones first. */
  edge: Int32Array;
  reds: number;
  /** Weights of left, right, up, down and the diagonal's inverse, five a border cell. */
  weights: Float32Array;
  u: Float32Array;
  /** Right-hand side times the squared cell width. */
  rhs: Float32Array;
}

/**
 * @param f one value a pixel, or one for all
 * @returns u in px squared times the unit of f, 0 outside; free parts have the mean 0
 */
export function solvePoisson(domain: Domain, f: Float32Array | number): Float32Array {
  const levels = [levelOf(domain)];
  while (Math.min(levels.at(-1)!.width, levels.at(-1)!.height) > COARSEST_SIDE)
    levels.push(levelOf(coarser(levels.at(-1)!)));
  const fine = levels[0];
  if (typeof f === 'number') fine.rhs.fill(f);
  else fine.rhs.set(f);
  if (fine.border === 'free') removeMeans(fine, fine.rhs);
  // Full multigrid: the answer of each level starts the next finer one.
  for (let l = 1; l < levels.length; l++) restrictResidual(levels[l - 1], levels[l], true);
  let rate = USUAL_RATE;
  for (let l = levels.length - 1; l >= 0; l--) {
    rate = solveLevel(levels, l, rate);
    if (l === 0) break;
    levels[l - 1].u.fill(0);
    addCorrection(levels[l], levels[l - 1]);
  }
  if (fine.border === 'free') removeMeans(fine, fine.u);
  return fine.u;
}

/**
 * Cycles until what is left, by the last change and the rate at which changes shrink, is little enough. A large level
 * mostly needs one cycle, for the smaller one below it has shown the rate.
 * @returns the rate
 */
function solveLevel(levels: Level[], l: number, rateBelow: number): number {
  const level = levels[l];
  const before = new Float32Array(level.u.length);
  let rate = rateBelow;
  let last = 0;
  for (let i = 0; i < MOST_CYCLES; i++) {
    before.set(level.u);
    cycle(levels, l);
    const change = largestChange(before, level);
    if (last > 0) rate = Math.min(WORST_RATE, Math.max(BEST_RATE, change / last));
    last = change;
    if ((change * rate) / (1 - rate) <= ENOUGH) break;
  }
  return rate;
}

function largestChange(before: Float32Array, { u, width, height, first, last }: Level): number {
  let change = 0;
  let low = 0;
  let high = 0;
  for (let y = 0; y < height; y++) {
    for (let i = y * width + first[y], end = y * width + last[y]; i <= end; i++) {
      const v = u[i];
      const d = v - before[i];
      if (d > change) change = d;
      else if (-d > change) change = -d;
      if (v > high) high = v;
      else if (v < low) low = v;
    }
  }
  return high === low ? 0 : change / (high - low);
}

/** A free problem has an answer only where the right-hand sides of each part sum to zero. */
function removeMeans({ labels }: Level, plane: Float32Array): void {
  let most = 0;
  for (let i = 0; i < labels.length; i++) if (labels[i] > most) most = labels[i];
  const sums = new Float64Array(most + 1);
  const counts = new Float64Array(most + 1);
  for (let i = 0; i < plane.length; i++) {
    sums[labels[i]] += plane[i];
    counts[labels[i]]++;
  }
  for (let i = 0; i < plane.length; i++) {
    plane[i] = labels[i] === 0 ? 0 : plane[i] - sums[labels[i]] / counts[labels[i]];
  }
}

function coarser(fine: Level): Domain {
  const width = Math.ceil(fine.width / 2);
  const height = Math.ceil(fine.height / 2);
  const labels = new Uint16Array(width * height);
  const least = fine.border === 'zero' ? 3 : 1;
  for (let y = 0; y < height; y++) {
    const hasBelow = 2 * y + 1 < fine.height;
    for (let x = 0; x < width; x++) {
      const i = 2 * y * fine.width + 2 * x;
      const hasRight = 2 * x + 1 < fine.width;
      const a = fine.labels[i];
      const b = hasRight ? fine.labels[i + 1] : 0;
      const c = hasBelow ? fine.labels[i + fine.width] : 0;
      const d = hasRight && hasBelow ? fine.labels[i + fine.width + 1] : 0;
      labels[y * width + x] = commonLabel(a, b, c, d, least);
    }
  }
  const { border, openX, openY } = fine;
  return { width, height, labels, alpha: null, border, openX, openY };
}

/** The label that at least so many of the four have, or 0. */
function commonLabel(a: number, b: number, c: number, d: number, least: number): number {
  if (a === b && a === c && a === d) return a;
  if (least === 3)
    return (a === b && (a === c || a === d)) || (a === c && a === d) ? a : b === c && b === d ? b : 0;
  return Math.max(a, b, c, d);
}

function levelOf(domain: Domain): Level {
  const { width, height, labels } = domain;
  const kind = new Uint8Array(width * height);
  const first = new Int32Array(height).fill(width);
  const last = new Int32Array(height).fill(-1);
  const counts = [0, 0];
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const isRowInner = y > 0 && y < height - 1;
    for (let x = 0; x < width; x++) {
      const i = row + x;
      const own = labels[i];
      if (own === 0) continue;
      if (first[y] > x) first[y] = x;
      last[y] = x;
      const isInner =
        isRowInner &&
        x > 0 &&
        x < width - 1 &&
        labels[i - 1] === own &&
        labels[i + 1] === own &&
        labels[i - width] === own &&
        labels[i + width] === own;
      kind[i] = isInner ? 1 : 2;
      if (!isInner) counts[(x + y) & 1]++;
    }
  }
  const edge = new Int32Array(counts[0] + counts[1]);
  const weights = new Float32Array(5 * edge.length);
  const places = [0, counts[0]];
  for (let y = 0; y < height; y++) {
    for (let x = first[y]; x <= last[y]; x++) {
      const i = y * width + x;
      if (kind[i] !== 2) continue;
      const k = places[(x + y) & 1]++;
      edge[k] = i;
      setWeights(domain, x, y, weights, 5 * k);
    }
  }
  const u = new Float32Array(width * height);
  return { ...domain, kind, first, last, edge, reds: counts[0], weights, u, rhs: new Float32Array(u.length) };
}

const ARMS = new Float64Array(4);
const JOINED = new Uint8Array(4);

/** The stencil of a border cell. A free border has no arm: its side takes the length of the other and no weight. */
function setWeights(domain: Domain, x: number, y: number, weights: Float32Array, at: number): void {
  for (let side = 0; side < 4; side++) armOf(domain, x, y, side);
  let sum = 0;
  for (let side = 0; side < 4; side++) {
    const arm = ARMS[side];
    if (arm === 0) continue;
    const across = ARMS[side ^ 1] === 0 ? arm : ARMS[side ^ 1];
    // A mirrored side gives its half of the curvature to the one that is there.
    const share = ARMS[side ^ 1] === 0 ? 1 : 2 / (arm + across);
    const w = share / arm;
    sum += w;
    weights[at + side] = JOINED[side] ? w : 0;
  }
  weights[at + 4] = sum === 0 ? 0 : 1 / sum;
}

/** Length of the arm to one side: 1 to a joined neighbour, less to a border at zero, 0 where the border is free. */
function armOf(domain: Domain, x: number, y: number, side: number): void {
  const { width, height, labels, alpha, border } = domain;
  const nx = side === 0 ? x - 1 : side === 1 ? x + 1 : x;
  const ny = side === 2 ? y - 1 : side === 3 ? y + 1 : y;
  const i = y * width + x;
  const isBeyond = nx < 0 || ny < 0 || nx >= width || ny >= height;
  const j = ny * width + nx;
  JOINED[side] = !isBeyond && labels[j] === labels[i] ? 1 : 0;
  if (JOINED[side]) ARMS[side] = 1;
  else if (border === 'free' || (isBeyond && (side < 2 ? domain.openX : domain.openY))) ARMS[side] = 0;
  else if (alpha === null || (!isBeyond && labels[j] !== 0)) ARMS[side] = 0.5;
  else {
    const other = isBeyond ? 0 : alpha[j];
    const crossing = (alpha[i] - 127.5) / Math.max(1, alpha[i] - other);
    ARMS[side] = Math.max(SHORTEST_ARM, Math.min(1, crossing));
  }
}

/** One cycle from level l down; small levels are visited twice, for little, since their domains are only near. */
function cycle(levels: Level[], l: number): void {
  const here = levels[l];
  if (l === levels.length - 1) {
    sweep(here, COARSEST_SWEEPS);
    return;
  }
  sweep(here, SWEEPS);
  const below = levels[l + 1];
  restrictResidual(here, below, false);
  below.u.fill(0);
  cycle(levels, l + 1);
  if (l > 0 && l < levels.length - 2) cycle(levels, l + 1);
  addCorrection(below, here);
  sweep(here, SWEEPS);
}

function sweep(level: Level, times: number): void {
  for (let i = 0; i < BORDER_SWEEPS; i++) sweepEdge(level);
  for (let i = 0; i < times; i++) {
    for (let colour = 0; colour < 2; colour++) {
      sweepInner(level, colour);
      sweepEdgeOf(level, colour);
    }
  }
  for (let i = 0; i < BORDER_SWEEPS; i++) sweepEdge(level);
}

function sweepEdge(level: Level): void {
  sweepEdgeOf(level, 0);
  sweepEdgeOf(level, 1);
}

function sweepInner({ width, height, kind, first, last, u, rhs }: Level, colour: number): void {
  for (let y = 1; y < height - 1; y++) {
    const row = y * width;
    const from = first[y] + ((first[y] + y + colour) & 1);
    for (let i = row + from, end = row + last[y]; i <= end; i += 2) {
      if (kind[i] === 1) u[i] = 0.25 * (u[i - 1] + u[i + 1] + u[i - width] + u[i + width] + rhs[i]);
    }
  }
}

function sweepEdgeOf(level: Level, colour: number): void {
  const { edge, reds, weights, u, rhs } = level;
  const start = colour === 0 ? 0 : reds;
  const end = colour === 0 ? reds : edge.length;
  for (let k = start; k < end; k++) {
    const i = edge[k];
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

/**
 * Sum of the four residuals: their mean, times the four that the coarse cell's squared width brings. After a sweep the
 * cells of the second colour have none, but for a little beside the border.
 */
function restrictResidual(fine: Level, coarse: Level, isStart: boolean): void {
  const { width, height, kind, first, last, u, rhs } = fine;
  const into = coarse.rhs;
  into.fill(0);
  for (let y = 1; y < height - 1; y++) {
    const row = y * width;
    const coarseRow = (y >> 1) * coarse.width;
    const end = last[y];
    const step = isStart ? 1 : 2;
    for (let x = isStart ? first[y] : first[y] + ((first[y] + y) & 1); x <= end; x += step) {
      const i = row + x;
      if (kind[i] !== 1) continue;
      into[coarseRow + (x >> 1)] += rhs[i] + u[i - 1] + u[i + 1] + u[i - width] + u[i + width] - 4 * u[i];
    }
  }
  for (let k = 0; k < fine.edge.length; k++) {
    const i = fine.edge[k];
    const inverse = fine.weights[5 * k + 4];
    if (inverse === 0) continue;
    const x = i % width;
    const y = (i - x) / width;
    into[(y >> 1) * coarse.width + (x >> 1)] += rhs[i] + neighbourSum(fine, i, k) - u[i] / inverse;
  }
}

/** Adds the coarse values to the fine ones, bilinear between cell centres. */
function addCorrection(coarse: Level, fine: Level): void {
  const { width, height, first, last, kind, u } = fine;
  const c = coarse.u;
  const w = coarse.width;
  const mixed = new Float64Array(w + 2);
  for (let y = 0; y < height; y++) {
    if (last[y] < 0) continue;
    const cy = y >> 1;
    const near = cy * w;
    const far = Math.min(coarse.height - 1, Math.max(0, cy + (y & 1 ? 1 : -1))) * w;
    const row = y * width;
    if (fine.border === 'free') {
      for (let x = first[y]; x <= last[y]; x++)
        if (kind[row + x]) u[row + x] += joinedMean(coarse, near, far, x);
      continue;
    }
    for (let x = 0; x < w; x++) mixed[x + 1] = 0.75 * c[near + x] + 0.25 * c[far + x];
    mixed[0] = mixed[1];
    mixed[w + 1] = mixed[w];
    for (let x = first[y], end = last[y]; x <= end; x++) {
      if (kind[row + x] === 0) continue;
      const m = (x >> 1) + 1;
      u[row + x] += 0.75 * mixed[m] + 0.25 * mixed[x & 1 ? m + 1 : m - 1];
    }
  }
}

/** Bilinear over those coarse cells that hang together with the nearest one, for the fine column x. */
function joinedMean({ u, labels, width }: Level, near: number, far: number, x: number): number {
  const cx = x >> 1;
  const nx = Math.min(width - 1, Math.max(0, cx + (x & 1 ? 1 : -1)));
  const own = labels[near + cx];
  let sum = 9 * u[near + cx];
  let weight = 9;
  if (labels[near + nx] === own) {
    sum += 3 * u[near + nx];
    weight += 3;
  }
  if (labels[far + cx] === own) {
    sum += 3 * u[far + cx];
    weight += 3;
  }
  if (labels[far + nx] === own) {
    sum += u[far + nx];
    weight += 1;
  }
  return sum / weight;
}
