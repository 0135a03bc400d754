/** What a lookup table does, as a small picture: hues from light to dark, and a strip of greys below, sent through it. */
import { emptyImage, type Image } from '../raster/image';
import { readTable, type ColourTable } from './colour-table';

const WIDTH_PX = 84;
const HUES_PX = 44;
const GREYS_PX = 12;

/** @returns 84 x 56 px; @param table null is none: the colours as they are */
export function tableSwatch(table: ColourTable | null): Image {
  const swatch = emptyImage(WIDTH_PX, HUES_PX + GREYS_PX);
  const { data, height } = swatch;
  const rgb = new Float64Array(3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < WIDTH_PX; x++) {
      const across = x / (WIDTH_PX - 1);
      rgb.set(y < HUES_PX ? shaded(across, y / (HUES_PX - 1)) : [across, across, across]);
      if (table) readTable(table, rgb, 0);
      const at = 4 * (y * WIDTH_PX + x);
      for (let c = 0; c < 3; c++) data[at + c] = Math.round(255 * Math.min(1, Math.max(0, rgb[c])));
      data[at + 3] = 255;
    }
  return swatch;
}

/** A hue that goes from white over itself to black. */
function shaded(hue: number, down: number): number[] {
  const white = Math.max(0, 1 - 2 * down);
  const light = Math.min(1, 2 - 2 * down);
  // Red, green and blue are full at the two sixths about 0, 2 and 4.
  const pure = [0, 2, 4].map((at) => {
    const away = Math.abs(6 * hue - at);
    return Math.min(1, Math.max(0, 2 - Math.min(away, 6 - away)));
  });
  return pure.map((v) => (v + (1 - v) * white) * light);
}
