/**
 * Animated files as sheets: the pictures of an APNG or GIF, each as it is seen, side by side in one picture, with the
 * time that each stands.
 */
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import { emptyImage, type Image } from '../raster/image';
import type { ArtworkFrame, FrameLoop } from '../scene/records/artwork';

/** One picture of an animation, of the size of all. */
export interface Shown {
  image: Image;
  seconds: number;
}

export interface Animation {
  shown: Shown[];
  loop: FrameLoop;
}

export interface AnimatedSheet {
  image: Image;
  frames: ArtworkFrame[];
  rateHz: number;
  loop: FrameLoop;
}

/** What files of no time, or nearly none, are played at everywhere. */
export const USUAL_SECONDS = 0.1;
const SHORTEST_SECONDS = 0.011;

export function tidySeconds(seconds: number): number {
  return seconds < SHORTEST_SECONDS ? USUAL_SECONDS : seconds;
}

/**
 * Whether an animation of so many pictures can be one sheet.
 * @returns the columns of the sheet
 * @throws InputFault naming what is too much
 */
export function sheetColumns(count: number, width: number, height: number): number {
  const side = LIMITS.pictureSidePx;
  if (count > LIMITS.frames)
    throw new InputFault(`The animation has ${count} pictures; at most ${LIMITS.frames} are taken.`);
  const most = Math.floor(side / width);
  // As square as may be.
  const columns = Math.min(most, count, Math.max(1, Math.round(Math.sqrt((count * height) / width))));
  const needed = Math.max(columns, Math.ceil(count / Math.max(1, Math.floor(side / height))));
  if (needed > most)
    throw new InputFault(
      `${count} pictures of ${width} x ${height} px do not fit into a sheet of ${side} x ${side} px.`,
    );
  return needed;
}

export function sheetOf({ shown, loop }: Animation, name: string): AnimatedSheet {
  const { width, height } = shown[0].image;
  const columns = sheetColumns(shown.length, width, height);
  const image = emptyImage(columns * width, Math.ceil(shown.length / columns) * height);
  const usual = mostUsual(shown.map(({ seconds }) => seconds));
  const digits = String(shown.length).length;
  const frames = shown.map(({ image: own, seconds }, i): ArtworkFrame => {
    const [left, top] = [(i % columns) * width, Math.floor(i / columns) * height];
    for (let y = 0; y < height; y++) {
      const row = own.data.subarray(4 * y * width, 4 * (y + 1) * width);
      image.data.set(row, 4 * ((top + y) * image.width + left));
    }
    return {
      name: `${name} ${String(i + 1).padStart(digits, '0')}`,
      left,
      top,
      widthPx: width,
      heightPx: height,
      shiftX: 0,
      shiftY: 0,
      seconds: seconds === usual ? null : seconds,
    };
  });
  return { image, frames, rateHz: 1 / usual, loop };
}

function mostUsual(values: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].reduce((best, one) => (one[1] > best[1] ? one : best))[0];
}

export interface Patch {
  image: Image;
  x: number;
  y: number;
  /** Whether it is laid over what is there, or put in its place. */
  over: boolean;
  /** What becomes of its place before the next one. */
  then: 'stays' | 'clears' | 'returns';
}

/** The pictures that patches make on a canvas, one after the other. @throws InputFault where one lies beyond it */
export function composed(width: number, height: number, patches: readonly Patch[]): Image[] {
  let canvas = emptyImage(width, height);
  return patches.map((patch, i) => {
    const { image, x, y, then } = patch;
    if (x < 0 || y < 0 || x + image.width > width || y + image.height > height)
      throw new InputFault(
        `Picture ${i + 1} of the animation lies beyond its ${width} x ${height} px (${image.width} x ${image.height} px at ${x}, ${y}).`,
      );
    const before = canvas;
    const own = { ...before, data: before.data.slice() };
    lay(own, patch);
    canvas = then === 'returns' ? before : { ...own, data: own.data.slice() };
    if (then === 'clears') {
      for (let row = y; row < y + image.height; row++)
        canvas.data.fill(0, 4 * (row * width + x), 4 * (row * width + x + image.width));
    }
    return own;
  });
}

function lay(canvas: Image, { image, x, y, over }: Patch): void {
  for (let j = 0; j < image.height; j++) {
    for (let i = 0; i < image.width; i++) {
      const from = 4 * (j * image.width + i);
      const to = 4 * ((y + j) * canvas.width + x + i);
      const alpha = image.data[from + 3];
      if (!over || alpha === 255) canvas.data.set(image.data.subarray(from, from + 4), to);
      else if (alpha > 0) blend(canvas.data, to, image.data, from);
    }
  }
}

/** One straight-alpha pixel over another. */
function blend(under: Uint8Array, to: number, top: Uint8Array, from: number): void {
  const a = top[from + 3] / 255;
  const b = (under[to + 3] / 255) * (1 - a);
  const sum = a + b;
  for (let c = 0; c < 3; c++) under[to + c] = Math.round((top[from + c] * a + under[to + c] * b) / sum);
  under[to + 3] = Math.round(255 * sum);
}
