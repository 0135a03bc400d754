/**
 * Counts flashes as WCAG 2.2 does (general flash and red flash thresholds, success criterion 2.3.1), on a picture that is
 * fitted into 1024 x 768 px and read in cells of 8 px, 60 times a second. Two opposing changes are one flash. A change of many
 * cells in one frame counts where they fill more than a quarter of some window of 341 x 256 px; more than three flashes in
 * any second are too many.
 */
import { linearLuminance, type Rgb } from '../../raster/colour';
import { Changes, FALL, RISE, type PlaceValues } from './changes';

export const FLASH_RATE_HZ = 60;
const FITTED_WIDTH_PX = 1024;
const FITTED_HEIGHT_PX = 768;
const CELL_PX = 8;
const WINDOW_WIDTH_PX = 341;
const WINDOW_HEIGHT_PX = 256;
/** More than this of a window must flash, px: a quarter of it. */
const FLASHING_PX = 21_824;
const MOST_FLASHES = 3;
/** Changes of relative luminance that are half a flash, and how dark the darker state must be. */
const GENERAL_CHANGE = 0.1;
const GENERAL_DARKER = 0.8;
/** The share of red in a saturated red, and how far a colour is from another one on the u'v' diagram. */
const RED_SHARE = 0.8;
const RED_CHANGE = 0.2;
/** Limits are met, whatever the last bits say. */
const TOLERANCE = 1e-9;
/** The white of sRGB on the u'v' diagram, which black is taken to be of. */
const WHITE_UV = [0.19783, 0.46832] as const;
const BLACK_SUM = 1e-6;

export type FlashKind = 'general' | 'red';
export const FLASH_KINDS: readonly FlashKind[] = ['general', 'red'];

/** A picture's cells. */
export interface FlashGrid {
  columns: number;
  rows: number;
  /** Cells along a px of the picture. */
  cellsPerPx: number;
}

/** The cells of a picture of some size that is fitted into 1024 x 768. */
export function flashGrid(widthPx: number, heightPx: number): FlashGrid {
  const cellsPerPx = Math.min(FITTED_WIDTH_PX / widthPx, FITTED_HEIGHT_PX / heightPx) / CELL_PX;
  const cells = (px: number) => Math.max(1, Math.round(px * cellsPerPx));
  return { columns: cells(widthPx), rows: cells(heightPx), cellsPerPx };
}

/** More flashes than are safe. */
export interface FlashFault {
  kind: FlashKind;
  /** When it is worst: the frame at which the last change of the worst second is at its extreme. */
  frame: number;
  /** Flashes a second, by the changes of the worst second. */
  rateHz: number;
  /** The most that flashes at once, px of the fitted picture, whole cells. */
  areaPx: number;
  /** The window that it is worst in, cells. */
  window: { left: number; top: number; columns: number; rows: number };
  /** The cells that changed last, and the frame of the change before, from which they changed. */
  cells: readonly number[];
  frameBefore: number;
}

export interface FlashReport {
  frames: number;
  /** Mean relative luminance of the picture at each frame. */
  luminance: Float64Array;
  /** Flashes in the second that ends at each frame, in the window that has the most. */
  counts: Record<FlashKind, Float64Array>;
  faults: FlashFault[];
}

const LUMINANCE_VALUES: PlaceValues = {
  size: 1,
  counts: (v, low, high) => v[high] - v[low] >= GENERAL_CHANGE - TOLERANCE && v[low] < GENERAL_DARKER,
};

/** The share of red, u' and v'. */
const RED_VALUES: PlaceValues = {
  size: 3,
  counts(v, low, high) {
    if (v[high] < RED_SHARE - TOLERANCE) return false;
    const [du, dv] = [v[high + 1] - v[low + 1], v[high + 2] - v[low + 2]];
    return du * du + dv * dv > RED_CHANGE * RED_CHANGE;
  },
};

/** Takes the frames of a picture, one after the other, and reports what flashes. */
export class FlashCounter {
  private readonly count: number;
  private readonly luminance: Float64Array;
  private readonly redness: Float64Array;
  private readonly means: number[] = [];
  private readonly changes: Record<FlashKind, Changes>;
  private readonly found: Record<FlashKind, ChangedCells> = { general: new Map(), red: new Map() };

  constructor(private readonly grid: FlashGrid) {
    this.count = grid.columns * grid.rows;
    this.luminance = new Float64Array(this.count);
    this.redness = new Float64Array(3 * this.count);
    const { general, red } = this.found;
    this.changes = {
      general: new Changes(this.count, LUMINANCE_VALUES, keeper(general)),
      red: new Changes(this.count, RED_VALUES, keeper(red)),
    };
  }

  /** @param rgb linear RGB of each cell as it is displayed, row by row */
  frame(rgb: Float64Array): void {
    const { luminance, redness, means, count } = this;
    let sum = 0;
    for (let i = 0; i < count; i++) {
      const colour: Rgb = [rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]];
      luminance[i] = linearLuminance(colour);
      sum += luminance[i];
      rednessOf(colour, redness, 3 * i);
    }
    this.changes.general.frame(means.length, luminance);
    this.changes.red.frame(means.length, redness);
    means.push(sum / count);
  }

  /** What flashed in the frames so far. No more frames are taken afterwards. */
  report(): FlashReport {
    const frames = this.means.length;
    const counts = { general: new Float64Array(frames), red: new Float64Array(frames) };
    const faults = FLASH_KINDS.flatMap((kind) => {
      this.changes[kind].end();
      return faultsOf(kind, this.grid, this.found[kind], counts[kind]);
    });
    return { frames, luminance: Float64Array.from(this.means), counts, faults };
  }
}

/** The cells that reached an extreme, by the frame and the way. */
type ChangedCells = Map<number, { rise: number[]; fall: number[] }>;

function keeper(found: ChangedCells) {
  return (frame: number, cell: number, way: number): void => {
    let at = found.get(frame);
    if (!at) found.set(frame, (at = { rise: [], fall: [] }));
    (way === RISE ? at.rise : at.fall).push(cell);
  };
}

/** Writes the share of red and the place on the CIE 1976 u'v' diagram. */
function rednessOf([r, g, b]: Readonly<Rgb>, out: Float64Array, at: number): void {
  const sum = r + g + b;
  if (sum < BLACK_SUM) {
    out[at] = 0;
    out[at + 1] = WHITE_UV[0];
    out[at + 2] = WHITE_UV[1];
    return;
  }
  const x = 0.4124564 * r + 0.3575761 * g + 0.1804375 * b;
  const y = 0.2126729 * r + 0.7151522 * g + 0.072175 * b;
  const z = 0.0193339 * r + 0.119192 * g + 0.9503041 * b;
  const whole = x + 15 * y + 3 * z;
  out[at] = r / sum;
  out[at + 1] = (4 * x) / whole;
  out[at + 2] = (9 * y) / whole;
}

/** A change of a window: enough of its cells at one frame, one way. */
interface WindowChange {
  frame: number;
  way: number;
  cells: number;
}

/**
 * Finds where too much flashes, and fills the counts.
 * @param counts flashes in the second that ends at each frame; filled here
 */
function faultsOf(kind: FlashKind, grid: FlashGrid, found: ChangedCells, counts: Float64Array): FlashFault[] {
  const columns = Math.min(grid.columns, Math.ceil(WINDOW_WIDTH_PX / CELL_PX));
  const rows = Math.min(grid.rows, Math.ceil(WINDOW_HEIGHT_PX / CELL_PX));
  const across = grid.columns - columns + 1;
  const windows = new Map<number, WindowChange[]>();
  const least = FLASHING_PX / (CELL_PX * CELL_PX);
  const sums = new Int32Array((grid.columns + 1) * (grid.rows + 1));
  for (const frame of [...found.keys()].sort((a, b) => a - b)) {
    const { rise, fall } = found.get(frame)!;
    for (const [way, cells] of [[RISE, rise] as const, [FALL, fall] as const]) {
      if (cells.length <= least) continue;
      sumUp(grid, cells, sums);
      for (let top = 0; top + rows <= grid.rows; top++)
        for (let left = 0; left < across; left++) {
          const inside = sumWithin(grid, sums, left, top, columns, rows);
          if (inside <= least) continue;
          const key = top * across + left;
          let changes = windows.get(key);
          if (!changes) windows.set(key, (changes = []));
          // The same way again is no other change of this window.
          if (changes.at(-1)?.way !== way) changes.push({ frame, way, cells: inside });
        }
    }
  }
  const worst = new Map<number, FlashFault>();
  for (const [key, changes] of windows)
    for (let last = 0, first = 0; last < changes.length; last++) {
      const { frame } = changes[last];
      while (frame - changes[first].frame >= FLASH_RATE_HZ) first++;
      const flashes = (last - first + 1) / 2;
      const until = Math.min(counts.length, changes[first].frame + FLASH_RATE_HZ);
      for (let f = frame; f < until; f++) counts[f] = Math.max(counts[f], flashes);
      if (flashes <= MOST_FLASHES) continue;
      const rateHz = ((last - first) / 2 / (frame - changes[first].frame)) * FLASH_RATE_HZ;
      const known = worst.get(frame);
      const areaPx =
        Math.max(...changes.slice(first, last + 1).map(({ cells }) => cells)) * CELL_PX * CELL_PX;
      if (known && (known.rateHz > rateHz || (known.rateHz === rateHz && known.areaPx >= areaPx))) continue;
      const window = { left: key % across, top: Math.floor(key / across), columns, rows };
      const at = found.get(frame)!;
      worst.set(frame, {
        ...{ kind, frame, rateHz, areaPx, window },
        cells: (changes[last].way === RISE ? at.rise : at.fall).filter((cell) =>
          isWithin(grid, window, cell),
        ),
        frameBefore: changes[last - 1].frame,
      });
    }
  return apart([...worst.values()].sort((a, b) => a.frame - b.frame));
}

/** Of faults that follow within a second of each other, the one with the highest rate. */
function apart(faults: readonly FlashFault[]): FlashFault[] {
  const out: FlashFault[] = [];
  let lastFrame = -Infinity;
  for (const fault of faults) {
    const isSame = fault.frame - lastFrame < FLASH_RATE_HZ;
    lastFrame = fault.frame;
    if (!isSame) out.push(fault);
    else if (fault.rateHz > out.at(-1)!.rateHz) out[out.length - 1] = fault;
  }
  return out;
}

function isWithin({ columns }: FlashGrid, window: FlashFault['window'], cell: number): boolean {
  const [x, y] = [cell % columns, Math.floor(cell / columns)];
  const [right, bottom] = [window.left + window.columns, window.top + window.rows];
  return x >= window.left && x < right && y >= window.top && y < bottom;
}

/** Sums over all rectangles from the top left corner. */
function sumUp({ columns, rows }: FlashGrid, cells: readonly number[], sums: Int32Array): void {
  const width = columns + 1;
  sums.fill(0);
  for (const cell of cells) sums[(Math.floor(cell / columns) + 1) * width + (cell % columns) + 1] = 1;
  for (let y = 1; y <= rows; y++)
    for (let x = 1, row = 0; x <= columns; x++) {
      row += sums[y * width + x];
      sums[y * width + x] = row + sums[(y - 1) * width + x];
    }
}

function sumWithin(
  grid: FlashGrid,
  sums: Int32Array,
  left: number,
  top: number,
  columns: number,
  rows: number,
): number {
  const width = grid.columns + 1;
  const [above, below] = [top * width + left, (top + rows) * width + left];
  return sums[below + columns] - sums[above + columns] - sums[below] + sums[above];
}
