import { describe, expect, it } from 'vitest';
import type { Image } from '../raster/image';
import { hash01 } from '../time/noise';
import { recogniseSheet } from './recognise-sheet';

type Rgba = readonly [number, number, number, number];

function picture(width: number, height: number, at: (x: number, y: number) => Rgba): Image {
  const data = new Uint8Array(4 * width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data.set(at(x, y), 4 * (y * width + x));
  return { width, height, data };
}

const CLEAR: Rgba = [0, 0, 0, 0];
const DOT: Rgba = [255, 255, 255, 255];
/** A figure that swings its arms from frame to frame. */
const figures = (columns: number, rows: number, side: number) =>
  picture(columns * side, rows * side, (x, y) => {
    const frame = Math.floor(x / side) + columns * Math.floor(y / side);
    const [u, v] = [(x % side) - side / 2 + 0.5, (y % side) - side / 2 + 0.5];
    const body = Math.abs(u) < side / 8 && Math.abs(v) < side / 2 - 1;
    const arm = Math.abs(v - u * Math.sin(frame)) < 1.5 && Math.abs(u) < side / 2 - 2;
    return body || arm ? [200, 150, 90, 255] : CLEAR;
  });
const tiles = (columns: number, rows: number, side: number) =>
  picture(columns * side, rows * side, (x, y) => {
    const tile = Math.floor(x / side) + columns * Math.floor(y / side);
    const tone = 40 + 180 * hash01(7, tile);
    const grain = 12 * hash01(9, x * 977 + y);
    return [tone + grain, 0.6 * tone + grain, 255 - tone, 255];
  });

describe('a sheet', () => {
  it.each([
    ['frames in one row', figures(6, 1, 24), 6, 1],
    ['frames in rows', figures(8, 2, 32), 8, 2],
    ['large frames', figures(3, 1, 128), 3, 1],
    ['tiles', tiles(8, 4, 16), 8, 4],
    ['large tiles', tiles(4, 4, 32), 4, 4],
  ])('is recognised: %s', (_, image, columns, rows) => {
    expect(recogniseSheet(image)).toEqual({ columns, rows, marginPx: 0, gapPx: 0 });
  });

  it.each([
    ['one figure', figures(1, 1, 64)],
    ['a wall of one colour', picture(160, 90, () => [230, 230, 230, 255])],
    ['a painted sky', picture(256, 128, (x, y) => [x / 2, 100 + y / 2, 200 - x / 3, 255])],
    ['noise', picture(64, 64, (x, y) => [255 * hash01(1, x * 64 + y), 90, 90, 255])],
    ['a large picture, with nothing in it', picture(2048, 2048, () => CLEAR)],
    [
      'a large picture, of single dots',
      picture(2048, 2048, (x, y) => (x % 97 === 0 && y % 89 === 0 ? DOT : CLEAR)),
    ],
    ['a picture of one pixel', picture(1, 1, () => [9, 9, 9, 255])],
    ['a picture whose sides part in no cells', figures(1, 1, 37)],
  ])('is not: %s', (_, image) => expect(recogniseSheet(image)).toBeNull());
});
