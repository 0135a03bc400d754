/** The waiting hut, with a window that shines. */
import { hash01 } from '@/core/time/noise';
import { Paint, wander } from '@/ready/paint';
import { FLAME, RUST, SLATE, STONE, TIMBER } from '@/ready/palette';

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
