/**
 * The coloured edges of a simple lens: red is read farther out from the gate's middle than it is shown, blue nearer to it, by a
 * distance that grows with the square of that from the middle.
 */
import { within } from '../fields';
import { eachPlace, gateMiddle, type FinishFrame } from './frame';
import { mixNumbers, type FinishPass, type FloatPicture } from './pass';

export const fringePx = () => within(-32, 32);

export interface FringeNumbers {
  /** At the gate's corners. */
  px: number;
}

/** How far red is moved at a place of the scene, along each axis, scene px; blue is moved the other way. */
export function fringeShift(
  { px }: FringeNumbers,
  { gate }: FinishFrame,
  x: number,
  y: number,
): [number, number] {
  const middle = gateMiddle(gate);
  const [dx, dy] = [x - middle.x, y - middle.y];
  const halfDiagonal2 = middle.halfWidth * middle.halfWidth + middle.halfHeight * middle.halfHeight;
  // Along the unit vector (dx, dy) / d by px * d^2 / halfDiagonal^2.
  const by = (px * Math.sqrt(dx * dx + dy * dy)) / halfDiagonal2;
  return [dx * by, dy * by];
}

export const fringe = {
  word: 'Fringe',
  fields: {
    fringePx: fringePx()
      .default(0)
      .meta({ about: "How far red and blue part at the gate's corners, scene px; red outward" }),
  },
  on: 'light',
  numbers: (settings) => ({ px: settings.fringePx }),
  mix: mixNumbers<FringeNumbers>,
  isAtRest: ({ px }) => px === 0,
  marginPx(numbers, frame) {
    const { x, y, widthPx, heightPx, outputPerScenePx } = frame.view;
    const [right, bottom] = [x + widthPx / outputPerScenePx, y + heightPx / outputPerScenePx];
    const shifts = [x, right].flatMap((px) =>
      [y, bottom].flatMap((py) => fringeShift(numbers, frame, px, py)),
    );
    // What is read between four pixels takes one more.
    return Math.max(...shifts.map(Math.abs)) + 1 / outputPerScenePx;
  },
  apply(picture, numbers, frame) {
    const { view, pixelArt } = frame;
    const source = picture.data.slice();
    const read = pixelArt ? readNearest : readBetween;
    eachPlace(picture, frame, (at, px, py) => {
      const [x, y] = [(at / 3) % picture.width, Math.floor(at / 3 / picture.width)];
      const shift = fringeShift(numbers, frame, px, py);
      const [dx, dy] = (pixelArt ? shift.map(wholePx) : shift).map((v) => v * view.outputPerScenePx);
      picture.data[at] = read(picture, source, 0, x + dx, y + dy);
      picture.data[at + 2] = read(picture, source, 2, x - dx, y - dy);
    });
  },
} satisfies FinishPass<{ fringePx: number }, FringeNumbers>;

/** Pixel art is moved by whole scene px, the same way on both sides of the middle. */
function wholePx(v: number): number {
  return v < 0 ? -Math.floor(0.5 - v) : Math.floor(v + 0.5);
}

type Read = (picture: FloatPicture, source: Float64Array, channel: number, x: number, y: number) => number;

const readNearest: Read = ({ width, height }, source, channel, x, y) =>
  source[3 * (inside(Math.floor(y + 0.5), height) * width + inside(Math.floor(x + 0.5), width)) + channel];

const readBetween: Read = ({ width, height }, source, channel, x, y) => {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const at = (i: number, j: number) => source[3 * (inside(j, height) * width + inside(i, width)) + channel];
  const [u, v] = [x - left, y - top];
  const upper = at(left, top) + u * (at(left + 1, top) - at(left, top));
  const lower = at(left, top + 1) + u * (at(left + 1, top + 1) - at(left, top + 1));
  return upper + v * (lower - upper);
};

const inside = (i: number, size: number) => Math.min(size - 1, Math.max(0, i));
