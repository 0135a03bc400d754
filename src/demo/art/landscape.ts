/** Far things: sky, hills, woods. */
import { hash01 } from '@/core/time/noise';
import { dithered, Paint, wander } from '@/ready/paint';
import { HILL, MOSS, PINE, SKY } from '@/ready/palette';

export function sky(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  paint.shaded(0, 0, width, height, SKY);
  // Long flat clouds, lit from below.
  for (let band = 0; band < 7; band++) {
    const y = Math.floor(height * (0.16 + band * 0.1));
    for (let x = 0; x < width; x++) {
      const body = wander(x + band * 400, 31 + band, 90, 4) - 0.5;
      if (body < 0.03) continue;
      const thick = Math.floor(body * 34);
      for (let j = 0; j < thick; j++) {
        const t = 0.2 + band * 0.09 + (j / Math.max(1, thick)) * 0.22;
        paint.dot(x, y - Math.floor(thick / 2) + j, dithered(SKY, t, x, y + j));
      }
      paint.dot(x, y + Math.ceil(thick / 2), dithered(SKY, 0.5 + band * 0.09, x, y));
    }
  }
  return paint;
}

/** A ridge of hills whose upper edge wanders; slopes fall into hazy folds. */
export function hills(width: number, height: number, seed: number, tones: readonly string[]): Paint {
  const paint = new Paint(width, height);
  for (let x = 0; x < width; x++) {
    const top = Math.floor(height * (0.08 + 0.62 * wander(x, seed, 150, 4)));
    for (let y = top; y < height; y++) {
      const fold = wander(x + (y - top) * 1.7, seed + 9, 34, 3) - 0.5;
      const depth = (y - top) / height;
      paint.dot(x, y, dithered(tones, 0.45 + fold * 0.9 + depth * 0.35, x, y));
    }
    paint.dot(x, top, tones[tones.length - 1]);
  }
  return paint;
}

export const farHills = (width: number, height: number) => hills(width, height, 5, HILL);

/** Fields with hedges on the nearer slope. */
export function nearHills(width: number, height: number): Paint {
  const tones = ['#2f4140', '#3d5348', '#4f6750', '#657b58', '#7d8f63'];
  const paint = hills(width, height, 77, tones);
  for (let hedge = 0; hedge < 9; hedge++) {
    const start = Math.floor(hash01(51, hedge) * width);
    const length = 50 + Math.floor(hash01(52, hedge) * 90);
    const slope = hash01(53, hedge) * 0.5 - 0.25;
    const y0 = Math.floor(height * (0.62 + 0.3 * hash01(54, hedge)));
    for (let i = 0; i < length; i++) {
      const [x, y] = [start + i, Math.floor(y0 + i * slope)];
      if (paint.isClear(x, y - 2)) continue;
      paint.dot(x, y, tones[0]);
      if (hash01(55, x) < 0.7) paint.dot(x, y - 1, tones[1]);
    }
  }
  return paint;
}

function pine(height: number, seed: number): Paint {
  const width = Math.floor(height * 0.46) | 1;
  const paint = new Paint(width, height);
  const middle = width >> 1;
  for (let y = 0; y < height - 3; y++) {
    const tier = (y % 7) / 7;
    const reach = (y / height) * middle * (0.62 + 0.5 * tier) + hash01(seed, y) * 1.3;
    for (let x = -Math.floor(reach); x <= reach; x++) {
      const t = 0.5 - (x / (reach + 1)) * 0.32 - tier * 0.34 + hash01(seed + 3, y * 64 + x) * 0.3;
      paint.dot(middle + x, y, PINE[Math.min(3, Math.max(0, Math.floor(t * 4)))]);
    }
  }
  paint.box(middle, height - 3, 1, 3, '#33251f');
  return paint;
}

/** A row of pines and bushes at the wood's edge. */
export function woods(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  for (let row = 0; row < 2; row++) {
    for (let x = -10, n = 0; x < width + 10; n++) {
      const tall = Math.floor(
        height * (0.36 + 0.5 * wander(x, 12 + row, 110, 3) + 0.12 * hash01(8 + row, n)) * (row ? 0.62 : 1),
      );
      const tree = pine(Math.max(12, tall), n * 7 + row * 1000);
      paint.stamp(tree, x - (tree.width >> 1), height - tree.height - (row ? 0 : 6), hash01(9, n) < 0.5);
      x += 8 + Math.floor(hash01(10 + row, n) * (row ? 10 : 16));
    }
  }
  for (let x = 0; x < width; x++) {
    const top = height - 5 - Math.floor(wander(x, 91, 26, 3) * 10);
    for (let y = top; y < height; y++)
      paint.dot(x, y, dithered([MOSS[1], MOSS[0], PINE[0]], (y - top) / 10 + 0.15, x, y));
  }
  return paint;
}
