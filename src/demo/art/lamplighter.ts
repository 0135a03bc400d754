/** The lamplighter on his evening round: four frames of a walk, a lantern's hook in his forward hand. */
import { Paint } from '@/ready/paint';
import { CREAM, EARTH, IRON, SIGNAL, SLATE, TIMBER, TIN } from '@/ready/palette';

export const LAMPLIGHTER = { frames: 4, width: 24, height: 40, rateHz: 6 } as const;
/** Where his hand is in each frame, px of the figure. */
export const HAND = [
  [20, 22],
  [20, 21],
  [19, 22],
  [20, 21],
] as const;
/** How far each foot is forward in the frames, and how far the body is lifted. */
const STRIDE = [5, 1, -4, -1];
const LIFT = [0, 1, 0, 1];

export function lamplighter(): Paint {
  const { frames, width, height } = LAMPLIGHTER;
  const sheet = new Paint(frames * width, height);
  for (let frame = 0; frame < frames; frame++) {
    const one = new Paint(width, height);
    const up = LIFT[frame];
    leg(one, STRIDE[frame] * -1, up, EARTH[0], IRON[1]);
    leg(one, STRIDE[frame], up, EARTH[1], IRON[3]);
    body(one, up);
    arm(one, HAND[frame]);
    sheet.stamp(one, frame * width, 0);
  }
  return sheet;
}

function leg(paint: Paint, stride: number, up: number, cloth: string, boot: string): void {
  const hip = [11, 27 - up] as const;
  const foot = [11 + stride, 37 - (stride < -2 ? 1 : 0)] as const;
  for (let i = 0; i < 3; i++) paint.line(hip[0] - 1 + i, hip[1], foot[0] - 1 + i, foot[1], cloth);
  paint.box(foot[0] - 1, foot[1], 5, 2, boot);
  paint.dot(foot[0] + 3, foot[1], IRON[4]);
}

function body(paint: Paint, up: number): void {
  const top = 13 - up;
  // A long coat, open below, lit from the side on which the lantern hangs.
  for (let y = 0; y < 18; y++) {
    const wide = 4 + Math.floor(y / 6);
    for (let x = -wide; x <= wide; x++) {
      const tone = x > wide - 2 ? 3 : x < -wide + 2 ? 0 : y % 7 === 0 && x === 1 ? 4 : x > 0 ? 2 : 1;
      paint.dot(11 + x, top + y, SLATE[tone]);
    }
  }
  paint.box(8, top + 8, 8, 1, TIMBER[2]);
  paint.dot(14, top + 8, TIN[3]);
  // Scarf, face, beard and a cap with a peak.
  paint.box(8, top - 1, 7, 2, SIGNAL[0]);
  paint.box(8, top - 8, 7, 7, TIMBER[5]);
  paint.box(13, top - 7, 2, 3, CREAM[0]);
  paint.dot(13, top - 5, IRON[0]);
  paint.box(9, top - 3, 6, 2, CREAM[0]);
  paint.box(7, top - 10, 8, 3, IRON[2]);
  paint.box(8, top - 11, 6, 1, IRON[3]);
  paint.box(14, top - 8, 3, 1, IRON[1]);
}

function arm(paint: Paint, [hx, hy]: readonly [number, number]): void {
  for (let i = 0; i < 3; i++) paint.line(13, 15 + i, hx - 1, hy - 2 + i, SLATE[i === 0 ? 3 : 2]);
  paint.box(hx - 1, hy - 2, 2, 3, CREAM[0]);
}
