/** What lies about the halt: ground, platform, churns, luggage, the verge. */
import { hash01 } from '@/core/time/noise';
import { dithered, Paint, wander } from '@/ready/paint';
import { CREAM, EARTH, FLAME, IRON, MOSS, STONE, TIMBER, TIN } from '@/ready/palette';

/** Trodden earth and grass, with the track on its ballast. */
export function ground(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  for (let x = 0; x < width; x++) {
    const edge = Math.floor(wander(x, 3, 30, 3) * 4);
    for (let y = edge; y < height; y++) {
      const t = 0.45 + (wander(x + y * 3, 17, 23, 3) - 0.5) * 1.1 - (y / height) * 0.3;
      paint.dot(
        x,
        y,
        dithered(y < edge + 3 ? [MOSS[2], MOSS[3], MOSS[4]] : [EARTH[0], EARTH[1], EARTH[2]], t, x, y),
      );
    }
  }
  // Ballast: round stones with a light crown and a dark foot.
  for (let n = 0; n < width * 1.9; n++) {
    const x = Math.floor(hash01(61, n) * width);
    const y = 15 + Math.floor(hash01(62, n) * 17);
    const tone = 1 + Math.floor(hash01(63, n) * 3);
    paint.box(x, y, 3, 2, STONE[tone]);
    paint.dot(x + 1, y, STONE[tone + 1]);
    paint.box(x, y + 2, 3, 1, STONE[0]);
  }
  for (let x = 3; x < width; x += 17) {
    paint.box(x, 14, 11, 3, TIMBER[2]);
    paint.box(x, 14, 11, 1, TIMBER[3]);
    paint.box(x, 17, 11, 1, TIMBER[0]);
  }
  paint.box(0, 10, width, 1, IRON[5]);
  paint.box(0, 11, width, 1, IRON[3]);
  paint.box(0, 12, width, 1, IRON[1]);
  paint.box(0, 13, width, 1, IRON[2]);
  for (let n = 0; n < width / 5; n++) {
    const x = Math.floor(hash01(71, n) * width);
    const y = height - 24 + Math.floor(hash01(72, n) * 22);
    paint.line(
      x,
      y,
      x + Math.floor(hash01(73, n) * 5) - 2,
      y - 2 - Math.floor(hash01(74, n) * 4),
      MOSS[2 + Math.floor(hash01(75, n) * 3)],
    );
  }
  return paint;
}

/** Dressed stone in courses under a worn coping. */
export function platform(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  paint.box(0, 0, width, 6, STONE[4]);
  paint.box(0, 0, width, 2, STONE[5]);
  paint.box(0, 6, width, 1, STONE[1]);
  paint.box(0, 7, width, 2, STONE[0]);
  for (let x = 0, n = 0; x < width; n++) {
    const length = 22 + Math.floor(hash01(21, n) * 16);
    paint.box(x, 0, 1, 6, STONE[2]);
    paint.box(x + 1, 0, 1, 5, STONE[5]);
    x += length;
  }
  paint.speckle(0, 1, width, 5, [STONE[3], STONE[5], STONE[4]], 0.16, 5);
  const course = 9;
  for (let row = 0, y = 9; y < height; row++, y += course) {
    const tall = Math.min(course, height - y);
    paint.box(0, y, width, tall, STONE[0]);
    for (let x = row % 2 === 0 ? -6 : -14, n = 0; x < width; n++) {
      const length = 13 + Math.floor(hash01(31 + row, n) * 10);
      block(paint, x + 1, y, length - 1, tall - 1, row * 64 + n);
      x += length;
    }
  }
  for (let x = 0; x < width; x++) {
    if (hash01(41, x) < 0.3)
      paint.box(x, height - 1 - Math.floor(hash01(42, x) * 4), 1, 5, MOSS[1 + Math.floor(hash01(43, x) * 3)]);
  }
  return paint;
}

function block(paint: Paint, x: number, y: number, w: number, h: number, seed: number): void {
  const tone = 2 + Math.floor(hash01(33, seed) * 2.2);
  paint.box(x, y, w, h, STONE[tone]);
  paint.box(x, y, w, 1, STONE[tone + 1]);
  paint.box(x, y, 1, h, STONE[tone + 1]);
  paint.box(x + w - 1, y + 1, 1, h - 1, STONE[tone - 1]);
  paint.box(x, y + h - 1, w, 1, STONE[tone - 1]);
  paint.speckle(x + 1, y + 1, w - 2, h - 2, [STONE[tone - 1], STONE[tone + 1]], 0.2, seed);
}

/** A milk churn: a tin can with shoulders, a lid and two handles. */
export function churn(): Paint {
  const paint = new Paint(26, 44);
  const half = (y: number) =>
    y < 3 ? 5 : y < 6 ? 7 : y < 9 ? 5 : y < 16 ? 5 + (y - 9) * 0.86 : y > 41 ? 10 : 11;
  for (let y = 0; y < 44; y++) {
    const r = half(y);
    for (let x = Math.ceil(13 - r); x < 13 + r; x++) {
      const t = (x + 0.5 - 13) / r;
      paint.dot(x, y, dithered(TIN, 0.62 - t * 0.36 - t * t * 0.25 + (y % 13 === 3 ? 0.2 : 0), x, y));
    }
  }
  for (const y of [2, 5, 16, 38])
    for (let x = 0; x < 26; x++) if (!paint.isClear(x, y)) paint.dot(x, y, TIN[x < 13 ? 1 : 0]);
  for (const y of [17, 39])
    for (let x = 0; x < 26; x++) if (!paint.isClear(x, y)) paint.dot(x, y, TIN[x < 14 ? 4 : 2]);
  for (const x of [1, 22]) {
    paint.box(x, 14, 3, 8, TIN[1]);
    paint.box(x, 14, 1, 8, TIN[3]);
  }
  return paint;
}

/** Two sacks and a trunk, waiting for the train. */
export function luggage(): Paint {
  const paint = new Paint(58, 28);
  paint.box(0, 8, 30, 20, TIMBER[2]);
  paint.shaded(1, 9, 28, 18, [TIMBER[4], TIMBER[3], TIMBER[2]]);
  for (const x of [4, 13, 22]) {
    paint.box(x, 8, 3, 20, TIMBER[1]);
    paint.box(x, 8, 1, 20, TIMBER[3]);
  }
  paint.box(0, 8, 30, 1, TIMBER[5]);
  paint.box(0, 14, 30, 1, TIMBER[0]);
  paint.box(14, 13, 2, 4, FLAME[0]);
  for (const [cx, cy, rx, ry] of [
    [39, 19, 9, 9],
    [50, 20, 8, 8],
  ]) {
    for (let y = -ry; y < ry; y++) {
      for (let x = -rx; x < rx; x++) {
        if ((x / rx) * (x / rx) + (y / ry) * (y / ry) > 1 && y < 0) continue;
        const t = 0.55 - (x / rx) * 0.25 - (y / ry) * 0.25 + (hash01(67, (cy + y) * 64 + cx + x) - 0.5) * 0.3;
        paint.dot(
          cx + x,
          cy + y,
          dithered([EARTH[1], EARTH[2], EARTH[3], EARTH[4], CREAM[0]], t, cx + x, cy + y),
        );
      }
    }
    paint.box(cx - 2, cy - ry - 3, 5, 4, EARTH[3]);
    paint.box(cx - 3, cy - ry, 7, 1, EARTH[0]);
  }
  return paint;
}

/** Long grass and a leaning fence, close to the eye. */
export function verge(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  for (let x = 6; x < width; x += 62) {
    const lean = Math.floor(hash01(95, x) * 5) - 2;
    for (let y = 4; y < height; y++)
      paint.shaded(
        x + Math.round((lean * (height - y)) / height),
        y,
        7,
        1,
        [TIMBER[5], TIMBER[3], TIMBER[1]],
        true,
      );
    paint.box(x + lean, 4, 7, 1, TIMBER[5]);
  }
  for (const y of [14, 30]) {
    for (let x = 0; x < width; x++) {
      const sag = Math.round(((x % 62) - 31) * ((x % 62) - 31) * -0.0026);
      paint.shaded(x, y - sag, 1, 5, [TIMBER[5], TIMBER[3], TIMBER[2], TIMBER[0]]);
    }
  }
  for (let n = 0; n < width * 1.6; n++) {
    const x = Math.floor(hash01(96, n) * width);
    const tall = 8 + Math.floor(hash01(97, n) * (height * 0.55));
    const lean = Math.floor(hash01(98, n) * 9) - 4;
    paint.line(x, height - 1, x + lean, height - tall, MOSS[1 + Math.floor(hash01(99, n) * 4)]);
  }
  return paint;
}
