/**
 * A Moment's picture in light space, before the finish, tile by tile: each tile looks only at what can matter to it. Any row is
 * the same whatever rows are asked for with it, so that threads can share a picture.
 */
import { gaussian } from '../finish/gaussian';
import type { FloatPicture } from '../finish/pass';
import type { Moment, PictureSource, View } from '../moment/moment';
import { WashOver } from '../weather/wash';
import type { Places } from './places';
import { PointRenderer } from './point-renderer';

/** Output px on each side of a tile: small enough that few edges matter to it, large enough that finding them pays. */
const TILE_PX = 32;
/** A picture is split into blocks of so many rows: whole tiles. */
export const LIGHT_BLOCK_ROWS = TILE_PX;

/** Whether a plane is blurred before it is laid over the picture: then no pixel is lit alone. */
export function isBlurred({ unlit, planes }: Moment): boolean {
  return !unlit && planes.some(({ blurPx }) => blurPx > 0);
}

export function lightPicture(moment: Moment, source: PictureSource): FloatPicture {
  const { widthPx: width, heightPx: height } = moment.view;
  if (!isBlurred(moment)) return { width, height, data: lightRows(moment, source, 0, height) };
  const picture: FloatPicture = { width, height, data: new Float64Array(3 * width * height) };
  fillByPlanes(moment, new PointRenderer(moment, source), picture);
  return picture;
}

/**
 * Some rows of the picture of a Moment without blurred planes.
 * @param top the first row, and `bottom` the one after the last
 * @returns three values a pixel
 */
export function lightRows(moment: Moment, source: PictureSource, top: number, bottom: number): Float64Array {
  const { view } = moment;
  const data = new Float64Array(3 * view.widthPx * (bottom - top));
  const point = new PointRenderer(moment, source);
  const first = top * view.widthPx;
  eachTile(view, point, top, bottom, (places, numbers) => {
    const light = point.all(places);
    for (let k = 0; k < places.count; k++) {
      const to = 3 * (numbers[k] - first);
      for (let c = 0; c < 3; c++) data[to + c] = light[4 * k + c];
    }
  });
  return data;
}

/**
 * Goes over some rows of a view tile by tile.
 * @param visit gets the scene places of the centres of a tile's pixels, and the pixels' numbers
 */
function eachTile(
  view: View,
  point: PointRenderer,
  from: number,
  to: number,
  visit: (places: Places, numbers: Int32Array) => void,
): void {
  const { widthPx } = view;
  const places = { count: 0, x: new Float64Array(TILE_PX * TILE_PX), y: new Float64Array(TILE_PX * TILE_PX) };
  const numbers = new Int32Array(TILE_PX * TILE_PX);
  for (let top = from; top < to; top += TILE_PX)
    for (let left = 0; left < widthPx; left += TILE_PX) {
      const [right, bottom] = [Math.min(widthPx, left + TILE_PX), Math.min(to, top + TILE_PX)];
      places.count = 0;
      for (let y = top; y < bottom; y++)
        for (let x = left; x < right; x++) {
          const k = places.count++;
          numbers[k] = y * widthPx + x;
          places.x[k] = placeX(view, x);
          places.y[k] = placeY(view, y);
        }
      const last = places.count - 1;
      point.within({ left: places.x[0], top: places.y[0], right: places.x[last], bottom: places.y[last] });
      visit(places, numbers);
    }
}

const placeX = ({ x, outputPerScenePx }: View, column: number) => x + (column + 0.5) / outputPerScenePx;
const placeY = ({ y, outputPerScenePx }: View, row: number) => y + (row + 0.5) / outputPerScenePx;

/** Plane by plane, each blurred before it is laid over those behind it. */
function fillByPlanes(moment: Moment, point: PointRenderer, { width, height, data }: FloatPicture): void {
  const { view } = moment;
  for (let i = 0; i < data.length; i += 3) data.set(point.backdrop, i);
  moment.planes.forEach(({ overlay, blurPx }, index) => {
    if (overlay) return;
    const plane = new Float64Array(4 * width * height);
    eachTile(view, point, 0, height, (places, numbers) => {
      const lit = point.planeAt(index, places);
      for (let k = 0; k < places.count; k++)
        for (let c = 0; c < 4; c++) plane[4 * numbers[k] + c] = lit[4 * k + c];
    });
    const sigma = blurPx * view.outputPerScenePx;
    const laid = sigma > 0 ? gaussian(plane, width, height, sigma) : plane;
    for (let i = 0, o = 0; o < data.length; i += 4, o += 3)
      for (let c = 0; c < 3; c++) data[o + c] = laid[i + c] + (1 - laid[i + 3]) * data[o + c];
  });
  const wash = new WashOver();
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i += 3)
      wash.over(moment.washes, moment.lightSpace, data.subarray(i, i + 3), placeX(view, x), placeY(view, y));
}
