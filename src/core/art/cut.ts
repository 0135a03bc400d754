/** Cutting a picture into frames: by a grid, or by its islands of opaque pixels. */
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import type { Image } from '../raster/image';
import type { Rect } from '../raster/rect';
import { labelled } from '../raster/regions';
import { framesOf } from '../relief/frames';
import type { Cells } from '../relief/recipe';
import type { ArtworkFrame } from '../scene/records/artwork';

export interface IslandRule {
  /** Islands that are no farther from each other than this are one frame, px. */
  joinPx: number;
  /** Islands of fewer pixels are left out. */
  leastPixels: number;
}

/** The opacity from which a pixel belongs to an island. */
const SEEN_ALPHA = 8;

/**
 * The cells of a grid, row by row. Cells with nothing in them are left out where `keepEmpty` is false.
 * @throws InputFault where the grid does not fit, or has too many cells
 */
export function gridRects(image: Image, cells: Cells, keepEmpty: boolean): Rect[] {
  checkCount(cells.columns * cells.rows);
  const rects = framesOf(image.width, image.height, cells);
  return keepEmpty ? rects : rects.filter((rect) => isAnythingIn(image, rect));
}

/** All cells of a grid on an artwork, row by row. @throws InputFault where the grid does not fit */
export function gridCells(
  { widthPx, heightPx }: { widthPx: number; heightPx: number },
  cells: Cells,
): Rect[] {
  return framesOf(widthPx, heightPx, cells);
}

function isAnythingIn({ data, width }: Image, { left, top, right, bottom }: Rect): boolean {
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) if (data[4 * (y * width + x) + 3] >= SEEN_ALPHA) return true;
  return false;
}

interface Island extends Rect {
  pixels: number;
}

/**
 * The boxes of connected opaque pixels, in reading order: row by row, from the left in each.
 * @throws InputFault where there are none, or too many
 */
export function islandRects(image: Image, { joinPx, leastPixels }: IslandRule): Rect[] {
  const islands = merged(boxesOf(image), joinPx).filter(({ pixels }) => pixels >= leastPixels);
  if (islands.length === 0)
    throw new InputFault(`There is no island of ${leastPixels} pixels or more in the picture.`);
  checkCount(islands.length);
  return inReadingOrder(islands).map(({ left, top, right, bottom }) => ({ left, top, right, bottom }));
}

function checkCount(count: number): void {
  if (count > LIMITS.frames)
    throw new InputFault(`An artwork has at most ${LIMITS.frames} frames; this would cut it into ${count}.`);
}

function boxesOf({ width, height, data }: Image): Island[] {
  const labels = labelled(
    width,
    height,
    (i) => data[4 * i + 3] >= SEEN_ALPHA,
    () => true,
  );
  const islands: Island[] = [];
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const label = labels[i];
      if (label === 0) continue;
      const own = (islands[label - 1] ??= { left: x, top: y, right: x + 1, bottom: y + 1, pixels: 0 });
      own.pixels++;
      own.left = Math.min(own.left, x);
      own.right = Math.max(own.right, x + 1);
      own.bottom = y + 1;
    }
  }
  return islands;
}

/**
 * Boxes that stand no farther apart than `joinPx`, corner to corner too, made one, until none do. Swept from the left:
 * only boxes whose columns are near are compared.
 */
function merged(islands: readonly Island[], joinPx: number): Island[] {
  let current = [...islands];
  for (;;) {
    const sorted = current.sort((a, b) => a.left - b.left);
    const next: Island[] = [];
    let open: Island[] = [];
    let isChanged = false;
    for (const island of sorted) {
      const still: Island[] = [];
      for (const one of open) (one.right + joinPx >= island.left ? still : next).push(one);
      const near = still.findIndex(
        (one) => one.bottom + joinPx >= island.top && island.bottom + joinPx >= one.top,
      );
      if (near >= 0) {
        still[near] = joined(still[near], island);
        isChanged = true;
      } else still.push(island);
      open = still;
    }
    current = [...next, ...open];
    if (!isChanged) return current;
  }
}

function joined(a: Island, b: Island): Island {
  return {
    left: Math.min(a.left, b.left),
    top: Math.min(a.top, b.top),
    right: Math.max(a.right, b.right),
    bottom: Math.max(a.bottom, b.bottom),
    pixels: a.pixels + b.pixels,
  };
}

/** Rows begin with their highest island; others that share half a height with it are of the row. */
function inReadingOrder(islands: readonly Island[]): Island[] {
  const rows: Island[][] = [];
  for (const island of islands.toSorted((a, b) => a.top - b.top || a.left - b.left)) {
    const row = rows.at(-1);
    if (row && sharesHeight(row[0], island)) row.push(island);
    else rows.push([island]);
  }
  return rows.flatMap((row) => row.sort((a, b) => a.left - b.left || a.top - b.top));
}

function sharesHeight(a: Rect, b: Rect): boolean {
  const shared = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
  return 2 * shared >= Math.min(a.bottom - a.top, b.bottom - b.top);
}

/**
 * Frames of rectangles, named by what they are cut from and their number. Frames of one size stand where their corners
 * do; islands of different sizes stand on one foot line, middle on middle.
 */
export function framesFrom(rects: readonly Rect[], name: string): ArtworkFrame[] {
  const digits = String(rects.length).length;
  const widest = Math.max(...rects.map(({ left, right }) => right - left));
  const tallest = Math.max(...rects.map(({ top, bottom }) => bottom - top));
  return rects.map(({ left, top, right, bottom }, i) => ({
    name: `${name} ${String(i + 1).padStart(digits, '0')}`,
    left,
    top,
    widthPx: right - left,
    heightPx: bottom - top,
    shiftX: Math.floor((widest - (right - left)) / 2),
    shiftY: tallest - (bottom - top),
    seconds: null,
  }));
}
