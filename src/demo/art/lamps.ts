/** What gives light: the oil lamp, the hand lantern, the signal. */
import { Paint } from '@/ready/paint';
import { CREAM, FLAME, IRON, SIGNAL, STONE } from '@/ready/palette';

export const LAMP = {
  width: 40,
  height: 124,
  glass: { x: 13, y: 14, w: 14, h: 17 },
  flame: { x: 20, y: 23.5 },
} as const;

/** A cast-iron post with a square oil lantern. */
export function lamp(): Paint {
  const paint = new Paint(LAMP.width, LAMP.height);
  const middle = LAMP.width / 2;
  const { x, y, w, h } = LAMP.glass;
  for (let i = 0; i < 8; i++)
    paint.shaded(middle - 2 - i, 4 + i, 4 + 2 * i, 1, [IRON[4], IRON[2], IRON[1]], true);
  paint.box(middle - 2, 1, 4, 3, IRON[3]);
  paint.box(x - 3, y - 2, w + 6, 2, IRON[3]);
  paint.box(x - 3, y - 2, w + 6, 1, IRON[5]);
  paint.box(x, y, w, h, FLAME[1]);
  paint.shaded(x + 2, y + 2, w - 4, h - 4, [FLAME[1], FLAME[2], FLAME[2], FLAME[0]]);
  paint.box(middle - 1, y + 5, 2, 7, CREAM[2]);
  paint.box(x, y, 1, h, IRON[2]);
  paint.box(x + w - 1, y, 1, h, IRON[1]);
  paint.box(x, y + 8, w, 1, IRON[2]);
  paint.box(x - 2, y + h, w + 4, 2, IRON[4]);
  paint.box(x, y + h + 2, w, 2, IRON[2]);
  paint.box(middle - 3, y + h + 4, 6, 4, IRON[3]);
  paint.shaded(middle - 2, y + h + 8, 4, LAMP.height - y - h - 18, [IRON[4], IRON[3], IRON[1]], true);
  paint.box(middle - 9, y + h + 12, 18, 2, IRON[3]);
  paint.box(middle - 9, y + h + 12, 18, 1, IRON[5]);
  for (const ring of [58, 84]) paint.shaded(middle - 3, ring, 6, 3, [IRON[5], IRON[3], IRON[1]], true);
  paint.shaded(middle - 4, LAMP.height - 12, 8, 5, [IRON[4], IRON[2], IRON[1]], true);
  paint.shaded(middle - 6, LAMP.height - 7, 12, 7, [IRON[4], IRON[2], IRON[1]], true);
  paint.box(middle - 6, LAMP.height - 7, 12, 1, IRON[5]);
  return paint;
}

/** The lantern's glass shines, its frame does not. */
export function lampGlow(): Paint {
  const { x, y, w, h } = LAMP.glass;
  const mask = new Paint(LAMP.width, LAMP.height);
  mask.box(0, 0, LAMP.width, LAMP.height, '#000000');
  mask.box(x + 1, y, w - 2, h, '#d8d8d8');
  mask.box(LAMP.width / 2 - 2, y + 4, 4, 9, '#ffffff');
  mask.box(x, y + 8, w, 1, '#000000');
  return mask;
}

export const SIGNAL_POST = { width: 46, height: 150, lens: { x: 26, y: 14 } } as const;

/** A semaphore at danger. */
export function signal(): Paint {
  const { width, height } = SIGNAL_POST;
  const paint = new Paint(width, height);
  paint.shaded(30, 4, 6, height - 4, [CREAM[2], CREAM[1], STONE[3], STONE[1]], true);
  paint.box(29, 2, 8, 3, IRON[3]);
  paint.box(31, 0, 4, 2, IRON[4]);
  for (let y = 30; y < height - 20; y += 9) {
    paint.box(38, y, 5, 1, IRON[4]);
    paint.box(38, y + 1, 5, 1, IRON[1]);
  }
  paint.box(38, 26, 1, height - 30, IRON[3]);
  paint.box(43, 26, 1, height - 30, IRON[2]);
  paint.box(0, 9, 24, 10, SIGNAL[1]);
  paint.box(0, 9, 24, 2, SIGNAL[2]);
  paint.box(0, 17, 24, 2, SIGNAL[0]);
  paint.box(5, 9, 4, 10, CREAM[2]);
  paint.box(24, 8, 12, 13, IRON[2]);
  paint.box(24, 8, 12, 1, IRON[4]);
  paint.disc(26.5, 14.5, 3.4, (_, y, d) => (d > 2.4 ? SIGNAL[1] : y < 14 ? '#ff9a7a' : '#f0603f'));
  paint.box(26, height - 14, 14, 14, STONE[2]);
  paint.box(26, height - 14, 14, 1, STONE[4]);
  return paint;
}

export function signalGlow(): Paint {
  const mask = new Paint(SIGNAL_POST.width, SIGNAL_POST.height);
  mask.box(0, 0, SIGNAL_POST.width, SIGNAL_POST.height, '#000000');
  mask.disc(26.5, 14.5, 3.4, () => '#ffffff');
  return mask;
}

/** A guard's hand lantern. */
export function handLantern(): Paint {
  const paint = new Paint(9, 14);
  paint.box(2, 0, 5, 1, IRON[4]);
  paint.box(1, 1, 1, 3, IRON[3]);
  paint.box(7, 1, 1, 3, IRON[2]);
  paint.box(2, 3, 5, 2, IRON[3]);
  paint.box(1, 5, 7, 6, FLAME[1]);
  paint.box(3, 6, 3, 4, FLAME[2]);
  paint.box(1, 5, 1, 6, IRON[3]);
  paint.box(7, 5, 1, 6, IRON[1]);
  paint.box(0, 11, 9, 3, IRON[2]);
  paint.box(0, 11, 9, 1, IRON[4]);
  return paint;
}

export function handLanternGlow(): Paint {
  const mask = new Paint(9, 14);
  mask.box(0, 0, 9, 14, '#000000');
  mask.box(2, 5, 5, 6, '#ffffff');
  return mask;
}
