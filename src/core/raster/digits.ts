/** Digits and a colon of 3 x 5 px, for pictures that say when they were taken. */
import type { Image } from './image';

/** Rows of three bits each, from the top. */
const GLYPHS: Readonly<Record<string, readonly number[]>> = {
  '0': [7, 5, 5, 5, 7],
  '1': [2, 6, 2, 2, 7],
  '2': [7, 1, 7, 4, 7],
  '3': [7, 1, 3, 1, 7],
  '4': [5, 5, 7, 1, 1],
  '5': [7, 4, 7, 1, 7],
  '6': [7, 4, 7, 5, 7],
  '7': [7, 1, 1, 2, 2],
  '8': [7, 5, 7, 5, 7],
  '9': [7, 5, 7, 1, 7],
  ':': [0, 2, 0, 2, 0],
};

export const DIGIT_HEIGHT_PX = 5;
const WIDTH_PX = 3;
const STEP_PX = WIDTH_PX + 1;

/**
 * Draws a text of digits and colons in one grey, opaque; other characters leave a space.
 * @param left,top where its upper left corner lies
 * @param times the side of each of its squares, px
 */
export function drawDigits(
  image: Image,
  text: string,
  left: number,
  top: number,
  times: number,
  grey: number,
): void {
  [...text].forEach((character, n) => {
    (GLYPHS[character] ?? []).forEach((bits, row) => {
      for (let column = 0; column < WIDTH_PX; column++)
        if (bits & (4 >> column))
          fillSquare(image, left + (n * STEP_PX + column) * times, top + row * times, times, grey);
    });
  });
}

function fillSquare(
  { width, height, data }: Image,
  left: number,
  top: number,
  side: number,
  grey: number,
): void {
  for (let y = Math.max(0, top); y < Math.min(height, top + side); y++)
    for (let x = Math.max(0, left); x < Math.min(width, left + side); x++)
      data.set([grey, grey, grey, 255], 4 * (y * width + x));
}
