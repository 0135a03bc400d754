/** The frames of a sheet, and the true size of pixel art that was drawn enlarged. */
import { InputFault } from '../faults';
import { emptyImage, type Image } from '../raster/image';
import type { Cells } from './recipe';
import type { Rect } from '../raster/rect';

/**
 * The frames of a sheet: equal cells in columns and rows, a margin round all and a gap between them; what is left over
 * at the right and below belongs to no frame.
 * @throws InputFault where no cell of a pixel is left
 */
export function framesOf(width: number, height: number, { columns, rows, marginPx, gapPx }: Cells): Rect[] {
  const w = Math.floor((width - 2 * marginPx - (columns - 1) * gapPx) / columns);
  const h = Math.floor((height - 2 * marginPx - (rows - 1) * gapPx) / rows);
  if (w < 1 || h < 1) {
    throw new InputFault(
      `A sheet of ${columns} x ${rows} cells with a margin of ${marginPx} px and gaps of ${gapPx} px does not fit into ${width} x ${height} px.`,
      'cells',
    );
  }
  const frames: Rect[] = [];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const left = marginPx + column * (w + gapPx);
      const top = marginPx + row * (h + gapPx);
      frames.push({ left, top, right: left + w, bottom: top + h });
    }
  }
  return frames;
}

/** Pixel art is hardly ever drawn at more than this size. */
const MOST_TIMES = 16;
/** Fewer different places at which colours change could all be multiples of a factor by chance. */
const LEAST_BORDERS = 10;

/**
 * By how much a picture is pixel art enlarged: the largest whole number such that all blocks of that size, counted
 * from the upper left, are of one colour.
 */
export function trueTimes(image: Image): number {
  const { width, height } = image;
  const pixels = new Uint32Array(image.data.slice().buffer);
  // Clear pixels are all alike, whatever colour hides in them.
  for (let i = 0; i < pixels.length; i++) if (image.data[4 * i + 3] === 0) pixels[i] = 0;
  // Wherever two neighbours differ there must be a border of blocks: all such places share the factor.
  let factor = greatestDivisor(width, height);
  const columns = new Uint8Array(width);
  let rows = 0;
  for (let y = 0; y < height && factor > 1; y++) {
    const row = y * width;
    for (let x = 1; x < width; x++) {
      if (columns[x] === 1 || pixels[row + x] === pixels[row + x - 1]) continue;
      columns[x] = 1;
      factor = greatestDivisor(factor, x);
    }
    for (let x = 0; x < width && y > 0; x++) {
      if (pixels[row + x] === pixels[row + x - width]) continue;
      rows++;
      factor = greatestDivisor(factor, y);
      break;
    }
  }
  if (rows + columns.reduce((sum, flag) => sum + flag, 0) < LEAST_BORDERS) return 1;
  for (let times = MOST_TIMES; times > 1; times--) if (factor % times === 0) return times;
  return 1;
}

function greatestDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestDivisor(b, a % b);
}

/** Every n-th pixel of a picture of n x n blocks. */
export function atTrueSize({ width, height, data }: Image, times: number): Image {
  const out = emptyImage(width / times, height / times);
  for (let y = 0, p = 0; y < out.height; y++) {
    for (let x = 0; x < out.width; x++, p += 4) {
      const from = 4 * (y * times * width + x * times);
      for (let c = 0; c < 4; c++) out.data[p + c] = data[from + c];
    }
  }
  return out;
}

/** Each value as a block of n x n. */
export function enlargedPlane<T extends Float32Array | Uint8Array | Uint16Array>(
  plane: T,
  width: number,
  height: number,
  times: number,
  channels = 1,
): T {
  const out = new (plane.constructor as new (n: number) => T)(plane.length * times * times);
  const rowLength = width * times * channels;
  for (let y = 0; y < height; y++) {
    const first = y * times * rowLength;
    for (let x = 0; x < width; x++) {
      for (let c = 0; c < channels; c++) {
        const value = plane[(y * width + x) * channels + c];
        for (let k = 0; k < times; k++) out[first + (x * times + k) * channels + c] = value;
      }
    }
    for (let k = 1; k < times; k++) out.copyWithin(first + k * rowLength, first, first + rowLength);
  }
  return out;
}
