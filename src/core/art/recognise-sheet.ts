/** Whether a picture is a sheet of frames or tiles, told by what lies across the borders of its cells. */
import type { Image } from '../raster/image';
import type { Cells } from '../relief/recipe';

/** The opacity from which a pixel is seen. */
const SEEN_ALPHA = 8;
const LEAST_SIDE_PX = 8;
const MOST_SIDE_PX = 256;
const MOST_CELLS = 256;
/** A cell is at most this many times longer than wide, or wider than long. */
const LONGEST = 4;
/** Fewer pixels than this share of a border may be crossed by what is drawn. */
const CROSSED_SHARE = 0.01;
/** Of the cells at least this share has something in it. */
const FILLED_SHARE = 0.6;
/** And is full to this share on average: dots are no figures. */
const LEAST_FULL = 0.02;
/** Frames are about equally full: their spread, of their mean, is no more than this. */
const UNEVEN = 0.5;
/** Colours change this many times more across the borders of tiles than beside them. */
const SHARPER = 1.7;
/** Art that is opaque to this share has no gaps between its cells. */
const OPAQUE_SHARE = 0.97;

/**
 * @returns the grid of the sheet with the most cells that fits; null where the picture is one figure, or a scene
 */
export function recogniseSheet(image: Image): Cells | null {
  const seen = seenOf(image);
  const share = seen.reduce((sum, v) => sum + v, 0) / seen.length;
  const fits = share >= OPAQUE_SHARE ? tilesFit(image) : framesFit(image, seen);
  let best: Cells | null = null;
  for (const columns of divisors(image.width))
    for (const rows of divisors(image.height)) {
      const count = columns * rows;
      const [w, h] = [image.width / columns, image.height / rows];
      if (count < 2 || count > MOST_CELLS || Math.max(w / h, h / w) > LONGEST) continue;
      if (best && count <= best.columns * best.rows) continue;
      if (fits(columns, rows)) best = { columns, rows, marginPx: 0, gapPx: 0 };
    }
  return best;
}

/** In how many cells a side can be parted. */
function divisors(side: number): number[] {
  const out: number[] = [];
  for (let count = 1; count <= side / LEAST_SIDE_PX; count++)
    if (side % count === 0 && side / count <= MOST_SIDE_PX) out.push(count);
  return out;
}

function seenOf({ width, height, data }: Image): Uint8Array {
  const seen = new Uint8Array(width * height);
  for (let i = 0; i < seen.length; i++) seen[i] = data[4 * i + 3] >= SEEN_ALPHA ? 1 : 0;
  return seen;
}

type Fits = (columns: number, rows: number) => boolean;

/** Frames with air around them: nothing is drawn across a border, and all are about equally full. */
function framesFit({ width, height }: Image, seen: Uint8Array): Fits {
  const crossedAcross = Array.from({ length: width }, (_, x) =>
    countOf(height, (y) => x > 0 && seen[y * width + x] === 1 && seen[y * width + x - 1] === 1),
  );
  const crossedDown = Array.from({ length: height }, (_, y) =>
    countOf(width, (x) => y > 0 && seen[y * width + x] === 1 && seen[(y - 1) * width + x] === 1),
  );
  const sums = sumsOf(seen, width, height);
  return (columns, rows) => {
    const [w, h] = [width / columns, height / rows];
    const isOpen = (crossed: readonly number[], count: number, step: number, length: number) =>
      bordersOf(count, step).every((at) => crossed[at] <= CROSSED_SHARE * length);
    if (!isOpen(crossedAcross, columns, w, height) || !isOpen(crossedDown, rows, h, width)) return false;
    const full = fillings(sums, width, columns, rows, w, h);
    const filled = full.filter((count) => count > 0);
    if (filled.length < 2 || filled.length < FILLED_SHARE * full.length) return false;
    const mean = filled.reduce((sum, v) => sum + v, 0) / filled.length;
    if (mean < LEAST_FULL * w * h) return false;
    const spread = Math.sqrt(filled.reduce((sum, v) => sum + (v - mean) * (v - mean), 0) / filled.length);
    return spread <= UNEVEN * mean;
  };
}

/** For each corner of pixels, how many are seen to the left of it and above: what any rectangle holds follows from four of them. */
function sumsOf(seen: Uint8Array, width: number, height: number): Uint32Array {
  const row = width + 1;
  const sums = new Uint32Array(row * (height + 1));
  for (let y = 0; y < height; y++)
    for (let x = 0, line = 0; x < width; x++) {
      line += seen[y * width + x];
      sums[(y + 1) * row + x + 1] = sums[y * row + x + 1] + line;
    }
  return sums;
}

/** How many pixels are seen in each cell. */
function fillings(
  sums: Uint32Array,
  width: number,
  columns: number,
  rows: number,
  w: number,
  h: number,
): number[] {
  const at = (x: number, y: number) => sums[y * (width + 1) + x];
  return Array.from({ length: columns * rows }, (_, i) => {
    const [x, y] = [(i % columns) * w, Math.floor(i / columns) * h];
    return at(x + w, y + h) - at(x, y + h) - at(x + w, y) + at(x, y);
  });
}

/** Square tiles side by side: colours change much more across their borders than within them. */
function tilesFit(image: Image): Fits {
  const { width, height, data } = image;
  const difference = (p: number, q: number) =>
    Math.abs(data[p] - data[q]) + Math.abs(data[p + 1] - data[q + 1]) + Math.abs(data[p + 2] - data[q + 2]);
  const across = Array.from({ length: width }, (_, x) =>
    x === 0 ? 0 : sumOf(height, (y) => difference(4 * (y * width + x), 4 * (y * width + x - 1))) / height,
  );
  const down = Array.from({ length: height }, (_, y) =>
    y === 0 ? 0 : sumOf(width, (x) => difference(4 * (y * width + x), 4 * ((y - 1) * width + x))) / width,
  );
  const isSharp = (changes: readonly number[], count: number, step: number) => {
    const borders = bordersOf(count, step);
    if (borders.length === 0) return true;
    const on = borders.reduce((sum, at) => sum + changes[at], 0) / borders.length;
    const others = changes.filter((_, at) => at > 0 && at % step !== 0);
    const off = others.reduce((sum, v) => sum + v, 0) / Math.max(1, others.length);
    return on > SHARPER * off && borders.every((at) => changes[at] > off);
  };
  return (columns, rows) => {
    const [w, h] = [width / columns, height / rows];
    return w === h && isSharp(across, columns, w) && isSharp(down, rows, h);
  };
}

function bordersOf(count: number, step: number): number[] {
  return Array.from({ length: count - 1 }, (_, i) => (i + 1) * step);
}

function countOf(length: number, is: (i: number) => boolean): number {
  return sumOf(length, (i) => (is(i) ? 1 : 0));
}

function sumOf(length: number, of: (i: number) => number): number {
  let sum = 0;
  for (let i = 0; i < length; i++) sum += of(i);
  return sum;
}
