/** The goods wagon. */
import { hash01 } from '@/core/time/noise';
import { Paint, wander } from '@/ready/paint';
import { IRON, RUST, SLATE } from '@/ready/palette';
import { lettering } from './lettering';

export const WAGON = { width: 156, height: 82 } as const;

/** A planked goods wagon on spoked wheels. */
export function wagon(): Paint {
  const { width, height } = WAGON;
  const paint = new Paint(width, height);
  const [left, right, top, sill] = [6, width - 6, 6, 54];
  for (let y = top; y < sill; y++) {
    const plank = Math.floor((y - top) / 6);
    const within = (y - top) % 6;
    for (let x = left; x < right; x++) {
      const grain = wander(x + plank * 91, 23 + plank, 21, 3) - 0.5;
      const tone = within === 5 ? 0 : within === 0 ? 3 : 2 + grain * 1.9 + (hash01(24, plank) - 0.5) * 0.6;
      paint.dot(x, y, RUST[Math.min(4, Math.max(0, Math.round(tone)))]);
    }
  }
  // Roof boards, seen a little from above.
  for (let i = 0; i < 6; i++)
    paint.shaded(
      left - 3 + (5 - i),
      i,
      right - left + 6 - 2 * (5 - i),
      1,
      [SLATE[3], SLATE[2], SLATE[1]],
      true,
    );
  paint.box(left - 3, 5, right - left + 6, 2, SLATE[1]);
  for (const x of [left, left + 22, right - 25, right - 4]) ironStrap(paint, x, top + 1, sill - top - 1);
  // The sliding door with its cross braces.
  const [dx, dw] = [54, 48];
  paint.box(dx, top + 2, dw, sill - top - 2, RUST[1]);
  for (let x = dx + 2; x < dx + dw - 2; x++) {
    const within = (x - dx - 2) % 6;
    for (let y = top + 4; y < sill - 2; y++) {
      const grain = wander(y + x * 5, 44, 13, 2) - 0.5;
      paint.dot(
        x,
        y,
        RUST[within === 0 ? 0 : within === 1 ? 4 : Math.min(4, Math.max(1, Math.round(2.6 + grain * 1.6)))],
      );
    }
  }
  for (let k = 0; k < 3; k++) {
    paint.line(dx + 2, sill - 4 + k - 1, dx + dw - 3, top + 5 + k, RUST[k === 0 ? 4 : k === 1 ? 2 : 0]);
  }
  ironStrap(paint, dx - 2, top + 1, sill - top - 1);
  ironStrap(paint, dx + dw - 1, top + 1, sill - top - 1);
  paint.box(left, top + 1, right - left, 2, IRON[2]);
  paint.box(dx - 8, top + 3, dw + 16, 2, IRON[3]);
  paint.box(dx - 8, top + 3, dw + 16, 1, IRON[5]);
  lettering(paint, 'FH 27', 20, 36);
  // Underframe, buffers, wheels.
  paint.box(left - 3, sill, right - left + 6, 5, IRON[1]);
  paint.box(left - 3, sill, right - left + 6, 1, IRON[4]);
  paint.box(left - 3, sill + 4, right - left + 6, 1, IRON[0]);
  for (const x of [0, width - 6]) {
    paint.box(x, sill, 6, 5, IRON[3]);
    paint.box(x, sill, 6, 1, IRON[5]);
  }
  paint.box(40, sill + 5, width - 80, 2, IRON[2]);
  for (const x of [34, width - 34]) {
    paint.box(x - 6, sill + 5, 12, 6, IRON[2]);
    paint.box(x - 6, sill + 5, 12, 1, IRON[4]);
    wheel(paint, x, sill + 15, 13);
  }
  return paint;
}

function ironStrap(paint: Paint, x: number, y: number, h: number): void {
  paint.box(x, y, 3, h, IRON[2]);
  paint.box(x, y, 1, h, IRON[4]);
  paint.box(x + 2, y, 1, h, IRON[1]);
  for (let j = 4; j < h; j += 12) {
    paint.dot(x + 1, y + j, IRON[5]);
    paint.dot(x + 1, y + j + 1, IRON[0]);
  }
}

function wheel(paint: Paint, cx: number, cy: number, r: number): void {
  paint.disc(cx, cy, r, (x, y, d) => {
    if (d > r - 1.2) return IRON[1];
    if (d > r - 3.4) return y < cy - 3 ? IRON[5] : y > cy + 5 ? IRON[2] : IRON[3];
    if (d < 3) return d < 1.4 ? IRON[5] : IRON[3];
    const [dx, dy] = [x + 0.5 - cx, y + 0.5 - cy];
    const onSpoke =
      Math.min(Math.abs(dx), Math.abs(dy), Math.abs(dx - dy) * 0.7, Math.abs(dx + dy) * 0.7) < 1;
    return onSpoke ? IRON[3] : IRON[0];
  });
}
