/**
 * Light that is brighter than a threshold glows over what is beside it. The glow is a chain of halvings and doublings with
 * fixed kernels over a grid of the scene (not of the screen): it is as wide at every zoom, and stands still under a view that
 * is moved. Halvings after the first weigh 1 3 3 1, doublings are linear between cells; level n has cells of 2^n scene px.
 * Cost: about three reads an output pixel, and a third of that for all the smaller levels.
 */
import { colour, level, share, within } from '../fields';
import { hexToLinear, type Rgb } from '../raster/colour';
import type { Box } from '../geometry/affine';
import type { View } from '../geometry/view';
import { eachPlace, type FinishFrame } from './frame';
import { mixNumbers, type FinishPass, type FloatPicture } from './pass';

interface BloomSettings {
  bloomLevel: number;
  bloomThreshold: number;
  bloomKnee: number;
  bloomSpread: number;
  bloomColour: string;
}

export interface BloomNumbers {
  level: number;
  threshold: number;
  knee: number;
  spread: number;
  tint: Rgb;
}

export const bloomThreshold = () => level();
export const bloomKnee = () => within(0, 256);

/** The share of a pixel that glows. @param m its brightest channel */
export function glowShare(m: number, threshold: number, knee: number): number {
  const k = Math.min(knee, threshold);
  const over = m - threshold;
  const s = Math.min(2 * k, Math.max(0, over + k));
  const soft = k === 0 ? 0 : (s * s) / (4 * k);
  return Math.max(soft, over, 0) / Math.max(m, LEAST);
}
/** Keeps black from being divided by. */
const LEAST = 1e-4;

/** The widest cells are about this share of the gate's lower side... */
const CELLS_ACROSS = 8;
/** ...within these levels. */
const FEWEST_LEVELS = 2;
const MOST_LEVELS = 7;

/** Level of the widest cells. */
export function lastLevel({ top, bottom, left, right }: Box): number {
  const side = Math.min(bottom - top, right - left) / CELLS_ACROSS;
  let levels = FEWEST_LEVELS;
  while (levels < MOST_LEVELS && 2 * (1 << levels) <= side) levels++;
  return levels;
}

/** Level of the narrowest cells: of 2 scene px, or such that none is smaller than an output pixel. */
export function firstLevel({ outputPerScenePx }: View, last: number): number {
  let first = 1;
  while (first < last && (1 << first) * outputPerScenePx < 1) first++;
  return first;
}

/** The share of a glow that lies beyond so many of its cells, on one side; from 2.5 on about a ten-thousandth. */
const BEYOND: readonly (readonly [cells: number, share: number])[] = [
  [2.5, 0.0001],
  [2.25, 0.001],
  [2, 0.0037],
  [1.75, 0.011],
  [1.5, 0.026],
  [1.25, 0.055],
  [1, 0.11],
];
/** So much of a glow may be lost of what shines beyond the margin: a pixel is the same byte in every view. */
const MOST_LOST = 0.0001;

/** How far a glow reaches but for a ten-thousandth of it: less than its widest cells do where these count little. Scene px. */
export function bloomReach({ spread }: BloomNumbers, first: number, last: number): number {
  const within = (px: number) => {
    // Each level takes its share of what those before it have left.
    let [lost, left] = [0, 1];
    for (let n = first; n <= last; n++) {
      lost += left * (n === last ? 1 : 1 - spread) * beyond(px / (1 << n));
      left *= spread;
    }
    return lost <= MOST_LOST;
  };
  const widest = 1 << last;
  for (let cells = 1; cells < 2.5; cells += 0.25) if (within(cells * widest)) return cells * widest;
  return 2.5 * widest;
}

/** @returns a share that is no less than what lies beyond */
function beyond(cells: number): number {
  if (cells >= 3) return 0;
  return BEYOND.find(([from]) => cells >= from)?.[1] ?? 1;
}

/** The cells of a level that a view touches. */
export interface GlowGrid {
  /** Scene px. */
  cellPx: number;
  /** The first cell along each axis, counted from the scene's origin. */
  left: number;
  top: number;
  width: number;
  height: number;
}

export function glowGrid({ x, y, widthPx, heightPx, outputPerScenePx }: View, levelNumber: number): GlowGrid {
  const cellPx = 1 << levelNumber;
  const left = Math.floor(x / cellPx);
  const top = Math.floor(y / cellPx);
  return {
    cellPx,
    left,
    top,
    width: Math.ceil((x + widthPx / outputPerScenePx) / cellPx) - left,
    height: Math.ceil((y + heightPx / outputPerScenePx) / cellPx) - top,
  };
}

export const bloom = {
  word: 'Bloom',
  fields: {
    bloomLevel: level().default(0).meta({ about: 'How much of what glows is laid over the picture' }),
    bloomThreshold: bloomThreshold().default(1).meta({ about: 'What is brighter glows; 1 is white' }),
    bloomKnee: bloomKnee().default(0.5).meta({ about: 'How far below the threshold the glow begins' }),
    bloomSpread: share().default(0.6).meta({ about: 'How much wide glows count against narrow ones' }),
    bloomColour: colour().default('#ffffff').meta({ about: 'What the glow is multiplied by' }),
  },
  on: 'light',
  numbers: (settings) => ({
    level: settings.bloomLevel,
    threshold: settings.bloomThreshold,
    knee: settings.bloomKnee,
    spread: settings.bloomSpread,
    tint: hexToLinear(settings.bloomColour),
  }),
  mix: mixNumbers<BloomNumbers>,
  isAtRest: (numbers) => numbers.level === 0,
  marginPx: (numbers, { view, gate }) => {
    const last = lastLevel(gate);
    return bloomReach(numbers, firstLevel(view, last), last);
  },
  apply(picture, numbers, frame) {
    const glow = glowOf(picture, numbers, frame);
    const { cellPx, left, top } = glow.grid;
    eachPlace(picture, frame, (at, x, y) => {
      const [u, v] = [x / cellPx - left - 0.5, y / cellPx - top - 0.5];
      for (let c = 0; c < 3; c++)
        picture.data[at + c] += numbers.level * numbers.tint[c] * between(glow, u, v, c);
    });
  },
} satisfies FinishPass<BloomSettings, BloomNumbers>;

interface GlowLevel {
  grid: GlowGrid;
  /** Three values a cell. */
  data: Float64Array;
}

function glowOf(picture: FloatPicture, numbers: BloomNumbers, { view, gate }: FinishFrame): GlowLevel {
  const last = lastLevel(gate);
  const first = firstLevel(view, last);
  const levels = [gathered(picture, numbers, view, first)];
  for (let n = first + 1; n <= last; n++) levels.push(halved(levels.at(-1)!, glowGrid(view, n)));
  return levels.reduceRight((wide, narrow) => mixed(narrow, wide, numbers.spread));
}

/** The narrowest cells: the mean of what glows of the output pixels in each, by how much of them lies in it. */
function gathered(picture: FloatPicture, numbers: BloomNumbers, view: View, first: number): GlowLevel {
  const grid = glowGrid(view, first);
  const data = new Float64Array(3 * grid.width * grid.height);
  const scale = view.outputPerScenePx;
  const cell = grid.cellPx * scale;
  for (let j = 0, o = 0; j < grid.height; j++) {
    const y0 = ((grid.top + j) * grid.cellPx - view.y) * scale;
    for (let i = 0; i < grid.width; i++, o += 3) {
      const x0 = ((grid.left + i) * grid.cellPx - view.x) * scale;
      for (let y = Math.max(0, Math.floor(y0)); y < Math.min(picture.height, y0 + cell); y++) {
        const high = Math.min(y + 1, y0 + cell) - Math.max(y, y0);
        for (let x = Math.max(0, Math.floor(x0)); x < Math.min(picture.width, x0 + cell); x++) {
          const wide = Math.min(x + 1, x0 + cell) - Math.max(x, x0);
          const p = 3 * (y * picture.width + x);
          const [r, g, b] = [picture.data[p], picture.data[p + 1], picture.data[p + 2]];
          const weight =
            (glowShare(Math.max(r, g, b), numbers.threshold, numbers.knee) * wide * high) / (cell * cell);
          data[o] += weight * r;
          data[o + 1] += weight * g;
          data[o + 2] += weight * b;
        }
      }
    }
  }
  return { grid, data };
}

const HALVING = [1 / 8, 3 / 8, 3 / 8, 1 / 8] as const;

function halved(fine: GlowLevel, grid: GlowGrid): GlowLevel {
  const data = new Float64Array(3 * grid.width * grid.height);
  for (let j = 0, o = 0; j < grid.height; j++) {
    const y = 2 * (grid.top + j) - fine.grid.top - 1;
    for (let i = 0; i < grid.width; i++, o += 3) {
      const x = 2 * (grid.left + i) - fine.grid.left - 1;
      for (let c = 0; c < 3; c++) {
        let sum = 0;
        for (let v = 0; v < 4; v++)
          for (let u = 0; u < 4; u++) sum += HALVING[v] * HALVING[u] * cellAt(fine, x + u, y + v, c);
        data[o + c] = sum;
      }
    }
  }
  return { grid, data };
}

/** The wide one laid over the narrow one, at its cells. */
function mixed(narrow: GlowLevel, wide: GlowLevel, spread: number): GlowLevel {
  const { grid } = narrow;
  const data = narrow.data.slice();
  for (let j = 0, o = 0; j < grid.height; j++) {
    const y = (grid.top + j + 0.5) / 2 - wide.grid.top - 0.5;
    for (let i = 0; i < grid.width; i++, o += 3) {
      const x = (grid.left + i + 0.5) / 2 - wide.grid.left - 0.5;
      for (let c = 0; c < 3; c++) data[o + c] += spread * (between(wide, x, y, c) - data[o + c]);
    }
  }
  return { grid, data };
}

/** Linear between the middles of cells; nothing glows beyond the grid. */
function between(level: GlowLevel, x: number, y: number, c: number): number {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [x - left, y - top];
  const upper = (1 - u) * cellAt(level, left, top, c) + u * cellAt(level, left + 1, top, c);
  const lower = (1 - u) * cellAt(level, left, top + 1, c) + u * cellAt(level, left + 1, top + 1, c);
  return (1 - v) * upper + v * lower;
}

function cellAt({ grid, data }: GlowLevel, x: number, y: number, c: number): number {
  const isInside = x >= 0 && y >= 0 && x < grid.width && y < grid.height;
  return isInside ? data[3 * (y * grid.width + x) + c] : 0;
}
