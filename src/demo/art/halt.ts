/** What stands at the halt: platform, hut, lamp, wagon, signal, churns. */
import { hash01 } from '@/core/time/noise';
import { dithered, Paint, wander } from '../paint';
import { CREAM, EARTH, FLAME, IRON, MOSS, RUST, SIGNAL, SLATE, STONE, TIMBER, TIN } from '../palette';

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

export const HUT = { width: 136, height: 104, window: { x: 22, y: 52, w: 30, h: 24 } } as const;

/** A timber waiting hut under slates, with a window, a door and a bench. */
export function hut(): Paint {
  const { width, height } = HUT;
  const paint = new Paint(width, height);
  const [left, right, eaves] = [9, width - 9, 36];
  for (let x = left; x < right; x++) {
    const plank = Math.floor((x - left) / 7);
    const within = (x - left) % 7;
    for (let y = eaves; y < height; y++) {
      const grain = wander(y + plank * 57, 13 + plank, 19, 3) - 0.5;
      const tone =
        within === 0 ? 0 : within === 1 ? 4 : within === 6 ? 2 : 3 + grain * 2.2 - (hash01(14, plank) - 0.5);
      paint.dot(x, y, TIMBER[Math.min(5, Math.max(0, Math.round(tone)))]);
    }
  }
  paint.box(left, height - 5, right - left, 5, TIMBER[1]);
  paint.box(left, height - 5, right - left, 1, TIMBER[3]);
  for (const x of [left, right - 4])
    paint.shaded(x, eaves, 4, height - eaves, [TIMBER[4], TIMBER[3], TIMBER[1]], true);
  door(paint, 88, 52, 26, height - 52);
  window(paint);
  roof(paint, eaves);
  // The bench beside the door.
  paint.box(56, 88, 28, 3, TIMBER[4]);
  paint.box(56, 88, 28, 1, TIMBER[5]);
  paint.box(56, 91, 28, 1, TIMBER[0]);
  for (const x of [58, 79]) paint.box(x, 92, 3, 12, TIMBER[2]);
  return paint;
}

function roof(paint: Paint, eaves: number): void {
  for (let y = 4; y < eaves + 3; y++) {
    const t = (y - 4) / (eaves - 1);
    const inset = Math.floor((1 - t) * 22);
    const row = Math.floor((y - 4) / 5);
    const within = (y - 4) % 5;
    for (let x = inset; x < paint.width - inset; x++) {
      const slate = Math.floor((x + (row % 2) * 4) / 8);
      const seam = (x + (row % 2) * 4) % 8 === 0;
      const tone =
        within === 4 ? 0 : seam ? 1 : within === 0 ? 4 : 2 + Math.floor(hash01(19, slate * 31 + row) * 2);
      paint.dot(x, y, SLATE[tone]);
    }
  }
  paint.box(20, 2, paint.width - 40, 3, SLATE[3]);
  paint.box(20, 2, paint.width - 40, 1, SLATE[4]);
  paint.box(0, eaves + 3, paint.width, 2, TIMBER[4]);
  paint.box(0, eaves + 5, paint.width, 1, TIMBER[0]);
  paint.box(96, 0, 9, 12, RUST[1]);
  paint.speckle(96, 0, 9, 12, [RUST[2], RUST[0]], 0.4, 4);
  paint.box(95, 0, 11, 2, STONE[3]);
}

function window(paint: Paint): void {
  const { x, y, w, h } = HUT.window;
  paint.box(x - 3, y - 3, w + 6, h + 6, TIMBER[1]);
  paint.box(x - 3, y - 3, w + 6, 1, TIMBER[4]);
  paint.box(x - 4, y + h + 2, w + 8, 2, TIMBER[4]);
  paint.box(x - 4, y + h + 4, w + 8, 1, TIMBER[0]);
  paint.shaded(x, y, w, h, [FLAME[1], FLAME[2], FLAME[1], FLAME[0]]);
  // A drawn curtain on either side, and somebody's hat on the sill.
  for (let j = 0; j < h; j++) {
    const drawn = 5 - Math.floor(j / 9);
    for (let i = 0; i < drawn; i++) {
      paint.dot(x + i, y + j, i % 2 ? FLAME[0] : RUST[3]);
      paint.dot(x + w - 1 - i, y + j, i % 2 ? FLAME[0] : RUST[3]);
    }
  }
  paint.box(x + 17, y + h - 4, 8, 4, RUST[1]);
  paint.box(x + 15, y + h - 1, 12, 1, RUST[0]);
  for (const bar of windowBars()) paint.box(bar.x, bar.y, bar.w, bar.h, TIMBER[1]);
}

function windowBars() {
  const { x, y, w, h } = HUT.window;
  return [
    { x: x + w / 2 - 1, y, w: 2, h },
    { x, y: y + 10, w, h: 2 },
  ];
}

/** The window's panes shine; frame and bars do not. */
export function hutGlow(): Paint {
  const { x, y, w, h } = HUT.window;
  const mask = new Paint(HUT.width, HUT.height);
  mask.box(0, 0, HUT.width, HUT.height, '#000000');
  mask.box(x, y, w, h, '#ffffff');
  for (const bar of windowBars()) mask.box(bar.x, bar.y, bar.w, bar.h, '#000000');
  return mask;
}

function door(paint: Paint, x: number, y: number, w: number, h: number): void {
  paint.box(x - 2, y - 2, w + 4, h + 2, TIMBER[1]);
  paint.box(x - 2, y - 2, w + 4, 1, TIMBER[4]);
  for (let i = 0; i < w; i++) {
    const within = i % 6;
    for (let j = 0; j < h; j++) {
      const tone = within === 0 ? 0 : within === 1 ? 3 : 1 + Math.round(hash01(81, i * 9 + (j >> 2)) * 1.4);
      paint.dot(x + i, y + j, ['#20302e', '#2c4540', '#3a5a50', '#4d7263'][tone]);
    }
  }
  for (const bar of [8, 34]) {
    paint.box(x + 1, y + bar, w - 2, 4, '#3a5a50');
    paint.box(x + 1, y + bar, w - 2, 1, '#4d7263');
    paint.box(x + 1, y + bar + 4, w - 2, 1, '#20302e');
  }
  paint.box(x + w - 6, y + 24, 2, 5, FLAME[0]);
  paint.dot(x + w - 6, y + 24, FLAME[2]);
}

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

/** A five-by-three alphabet, for as much as is written at the halt. */
const LETTERS: Record<string, string> = {
  F: '111100110100100',
  H: '101101111101101',
  E: '111100110100111',
  N: '110101101101101',
  L: '100100100100111',
  A: '010101111101101',
  T: '111010010010010',
  '2': '110001010100111',
  '7': '111001010010010',
  ' ': '000000000000000',
};

function lettering(
  paint: Paint,
  text: string,
  x: number,
  y: number,
  colour: string = CREAM[1],
  size = 1,
): void {
  [...text].forEach((letter, n) => {
    [...LETTERS[letter]].forEach((bit, i) => {
      if (bit === '1')
        paint.box(x + n * 4 * size + (i % 3) * size, y + Math.floor(i / 3) * size, size, size, colour);
    });
  });
}

/** The station's enamel sign on two posts. */
export function nameBoard(): Paint {
  const paint = new Paint(62, 40);
  for (const x of [8, 50]) paint.shaded(x, 4, 4, 36, [TIMBER[4], TIMBER[3], TIMBER[1]], true);
  paint.box(0, 2, 62, 15, TIMBER[1]);
  paint.box(0, 2, 62, 1, TIMBER[4]);
  paint.box(2, 4, 58, 11, '#2b4a58');
  paint.box(2, 4, 58, 1, '#41687a');
  lettering(paint, 'FENNEL HALT', 9, 7, CREAM[2]);
  return paint;
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
