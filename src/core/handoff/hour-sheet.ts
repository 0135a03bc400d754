/** Pictures of a day on one sheet, each with its hour written below. */
import { DIGIT_HEIGHT_PX, drawDigits } from '../raster/digits';
import { emptyImage, type Image } from '../raster/image';

export interface HourPicture {
  clockHours: number;
  picture: Image;
}

const MARGIN_PX = 8;
const LETTER_TIMES = 2;
const LABEL_PX = DIGIT_HEIGHT_PX * LETTER_TIMES + 8;
const GROUND = 22;
const LETTERS = 200;

/** @param pictures all of one size, at least one */
export function hourSheet(pictures: readonly HourPicture[]): Image {
  const { width, height } = pictures[0].picture;
  // About as wide as high.
  const columns = Math.min(
    pictures.length,
    Math.max(1, Math.round(Math.sqrt((pictures.length * height) / width))),
  );
  const rows = Math.ceil(pictures.length / columns);
  const sheet = emptyImage(
    MARGIN_PX + columns * (width + MARGIN_PX),
    MARGIN_PX + rows * (height + LABEL_PX + MARGIN_PX),
  );
  for (let i = 0; i < sheet.data.length; i++) sheet.data[i] = i % 4 === 3 ? 255 : GROUND;
  pictures.forEach(({ clockHours, picture }, n) => {
    const left = MARGIN_PX + (n % columns) * (width + MARGIN_PX);
    const top = MARGIN_PX + Math.floor(n / columns) * (height + LABEL_PX + MARGIN_PX);
    for (let y = 0; y < height; y++)
      sheet.data.set(
        picture.data.subarray(4 * y * width, 4 * (y + 1) * width),
        4 * ((top + y) * sheet.width + left),
      );
    drawDigits(sheet, clockText(clockHours, ':'), left, top + height + 4, LETTER_TIMES, LETTERS);
  });
  return sheet;
}

/** An hour as 18:30, or with another sign between. */
export function clockText(clockHours: number, between: string): string {
  const minutes = Math.round(clockHours * 60);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${two(Math.floor(minutes / 60))}${between}${two(minutes % 60)}`;
}
