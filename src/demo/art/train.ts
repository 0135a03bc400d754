/** The evening train: a small tank engine and two coaches, seen from afar on the upper line. */
import { hash01 } from '@/core/time/noise';
import { Paint } from '@/ready/paint';
import { CREAM, EARTH, FLAME, IRON, MOSS, PINE, RUST, SIGNAL, SLATE } from '@/ready/palette';

export const TRAIN = {
  width: 268,
  height: 50,
  /** Where its lamp burns, and the middles of its coaches' windows. */
  headlamp: { x: 262, y: 25 },
  coaches: [
    { x: 52, y: 22 },
    { x: 152, y: 22 },
  ],
} as const;

const RAIL_Y = 48;
const COACHES = [4, 104] as const;
const COACH = { width: 96, roof: 10, sill: 38 };
const WINDOW = { first: 8, apart: 17, width: 11, top: 16, height: 11, count: 5 };
const ENGINE_X = 204;

const windows = () =>
  COACHES.flatMap((left) =>
    Array.from({ length: WINDOW.count }, (_, i) => ({
      ...{ x: left + WINDOW.first + i * WINDOW.apart, y: WINDOW.top },
      ...{ w: WINDOW.width, h: WINDOW.height },
    })),
  );

export function train(): Paint {
  const paint = new Paint(TRAIN.width, TRAIN.height);
  for (const left of COACHES) coach(paint, left);
  engine(paint, ENGINE_X);
  return paint;
}

/** What shines by itself: the windows, the fire, and the lamp at the front. */
export function trainGlow(): Paint {
  const mask = new Paint(TRAIN.width, TRAIN.height);
  mask.box(0, 0, TRAIN.width, TRAIN.height, '#000000');
  for (const { x, y, w, h } of windows()) mask.box(x, y, w, h, '#ffffff');
  mask.box(ENGINE_X + 4, 17, 6, 7, '#ffffff');
  const { x, y } = TRAIN.headlamp;
  mask.box(x - 1, y - 2, 3, 4, '#ffffff');
  return mask;
}

function coach(paint: Paint, left: number): void {
  const { width, roof, sill } = COACH;
  paint.box(left + 2, roof - 3, width - 4, 1, SLATE[3]);
  paint.box(left, roof - 2, width, 2, SLATE[2]);
  paint.box(left, roof, width, 1, SLATE[0]);
  paint.box(left + 1, roof + 1, width - 2, sill - roof - 1, SIGNAL[0]);
  paint.box(left + 1, roof + 2, width - 2, 1, SIGNAL[1]);
  // A cream band along the windows.
  paint.box(left + 1, WINDOW.top - 2, width - 2, WINDOW.height + 4, CREAM[0]);
  paint.box(left + 1, WINDOW.top - 2, width - 2, 1, CREAM[1]);
  for (let i = 0; i < WINDOW.count; i++) {
    const x = left + WINDOW.first + i * WINDOW.apart;
    paint.box(x - 1, WINDOW.top - 1, WINDOW.width + 2, WINDOW.height + 2, IRON[1]);
    for (let v = 0; v < WINDOW.height; v++)
      for (let u = 0; u < WINDOW.width; u++)
        paint.dot(x + u, WINDOW.top + v, FLAME[Math.min(2, Math.floor((1 - v / WINDOW.height) * 2.2 + 0.5))]);
    // Somebody sits at some of them.
    if (hash01(313, left + i) < 0.5) paint.box(x + 3, WINDOW.top + 5, 4, WINDOW.height - 5, RUST[0]);
    if (hash01(313, left + i) < 0.5) paint.box(x + 4, WINDOW.top + 3, 2, 2, RUST[1]);
  }
  paint.box(left + 1, sill - 6, width - 2, 1, RUST[0]);
  paint.box(left, sill, width, 3, IRON[1]);
  paint.box(left, sill, width, 1, IRON[3]);
  for (const x of [left + 16, left + 28, left + width - 29, left + width - 17])
    wheel(paint, x, RAIL_Y - 5, 5);
  paint.box(left + width, sill + 1, 4, 1, IRON[2]);
}

function engine(paint: Paint, left: number): void {
  // Cab, with the fire seen through its side.
  paint.box(left - 1, 8, 18, 2, SLATE[2]);
  paint.box(left, 10, 16, 28, PINE[1]);
  paint.box(left, 10, 16, 1, PINE[3]);
  paint.box(left + 3, 16, 8, 9, IRON[0]);
  paint.box(left + 4, 17, 6, 7, FLAME[0]);
  paint.box(left + 5, 18, 3, 3, FLAME[1]);
  // Boiler and side tank.
  for (let y = 0; y < 14; y++)
    paint.box(left + 16, 17 + y, 40, 1, PINE[y < 2 ? 2 : y < 4 ? 3 : y < 9 ? 2 : y < 12 ? 1 : 0]);
  paint.box(left + 16, 25, 26, 13, PINE[1]);
  paint.box(left + 16, 25, 26, 1, PINE[3]);
  paint.box(left + 28, 12, 6, 5, IRON[3]);
  paint.box(left + 28, 12, 6, 1, CREAM[1]);
  // Chimney, smokebox and the lamp before it.
  paint.box(left + 45, 5, 6, 12, IRON[1]);
  paint.box(left + 44, 4, 8, 2, IRON[3]);
  paint.box(left + 52, 17, 5, 15, IRON[1]);
  paint.box(left + 52, 17, 1, 15, IRON[3]);
  const { x, y } = TRAIN.headlamp;
  paint.box(x - 3, y - 3, 5, 6, IRON[2]);
  paint.box(x - 1, y - 2, 3, 4, FLAME[2]);
  paint.box(left - 2, 38, 62, 3, IRON[1]);
  paint.box(left - 2, 38, 62, 1, IRON[4]);
  for (const wheelX of [left + 10, left + 26, left + 42]) wheel(paint, wheelX, RAIL_Y - 6, 6);
  paint.line(left + 10, RAIL_Y - 4, left + 42, RAIL_Y - 4, IRON[4]);
  paint.box(left + 58, 40, 4, 3, IRON[2]);
}

function wheel(paint: Paint, cx: number, cy: number, r: number): void {
  paint.disc(cx, cy, r, (x, y, d) => {
    if (d > r - 1) return IRON[3];
    if (d < 1.4) return IRON[4];
    return Math.abs(x + 0.5 - cx) < 0.8 || Math.abs(y + 0.5 - cy) < 0.8 ? IRON[3] : IRON[0];
  });
}

/** The upper line on its low bank. */
export function upperLine(width: number): Paint {
  const paint = new Paint(width, 7);
  for (let x = 0; x < width; x++) {
    paint.dot(x, 0, IRON[4]);
    paint.dot(x, 1, IRON[1]);
    if (x % 6 < 3) paint.box(x, 2, 1, 1, EARTH[1]);
    else paint.dot(x, 2, EARTH[2]);
    const depth = 3 + Math.floor(hash01(317, x) * 3);
    for (let y = 3; y <= depth; y++) paint.dot(x, y, hash01(318, x * 8 + y) < 0.4 ? MOSS[1] : MOSS[2]);
  }
  return paint;
}
