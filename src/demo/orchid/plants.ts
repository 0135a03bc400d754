/** Plants of the Orchid House, seen from above. */
import { cos, sin } from '@/core/geometry/exact';
import { hash01 } from '@/core/time/noise';
import { Paint } from '@/ready/paint';
import { CREAM, EARTH, LEAF, MOSS, PETAL, TERRACOTTA, WATER } from '@/ready/palette';

const TURN = 2 * Math.PI;

interface Leaves {
  count: number;
  /** From the middle to the tip, px. */
  lengthPx: number;
  /** Half the width at the widest, px. */
  halfPx: number;
  tones: readonly string[];
  seed: number;
  /** Where along a leaf it is widest, 0 to 1. */
  widest?: number;
}

/** Leaves that spread from a middle, the upper ones over the lower; each has a light rib and a dark edge. */
function rosette(paint: Paint, cx: number, cy: number, leaves: Leaves): void {
  const { count, lengthPx, halfPx, tones, seed, widest = 0.55 } = leaves;
  for (let leaf = 0; leaf < count; leaf++) {
    const angle = ((leaf + 0.6 * hash01(seed, leaf)) / count) * TURN;
    const long = lengthPx * (0.75 + 0.25 * hash01(seed + 1, leaf));
    const [dx, dy] = [cos(angle), sin(angle)];
    const base = 1 + Math.floor(hash01(seed + 2, leaf) * 2);
    for (let step = 0; step <= 2 * long; step++) {
      const t = step / (2 * long);
      const half = halfPx * (t < widest ? t / widest : (1 - t) / (1 - widest)) + 0.4;
      for (let side = -Math.ceil(half); side <= Math.ceil(half); side++) {
        if (Math.abs(side) > half) continue;
        const [x, y] = [cx + dx * t * long - dy * side, cy + dy * t * long + dx * side];
        const lit = side === 0 ? base + 2 : side < 0 ? base + 1 : base;
        paint.dot(
          Math.floor(x),
          Math.floor(y),
          tones[Math.min(tones.length - 1, Math.abs(side) > half - 0.8 && side > 0 ? base - 1 : lit)],
        );
      }
    }
  }
}

function pot(paint: Paint, cx: number, cy: number, r: number): void {
  paint.disc(cx, cy, r, (x, y, d) => {
    if (d < r - 1.6) return EARTH[x % 3 === 0 && y % 2 === 0 ? 2 : 1];
    return TERRACOTTA[x + y < cx + cy - 1 ? 4 : x + y < cx + cy + 2 ? 3 : 1];
  });
}

/** A tree fern: long fronds, feathered. */
export function treeFern(): Paint {
  const paint = new Paint(58, 58);
  rosette(paint, 29, 29, { count: 11, lengthPx: 28, halfPx: 4, tones: LEAF, seed: 5, widest: 0.4 });
  for (let leaf = 0; leaf < 900; leaf++) {
    const [x, y] = [Math.floor(58 * hash01(91, leaf)), Math.floor(58 * hash01(92, leaf))];
    if (!paint.isClear(x, y) && (x + y) % 3 === 0) paint.dot(x, y, LEAF[1]);
  }
  rosette(paint, 29, 29, { count: 7, lengthPx: 13, halfPx: 2.4, tones: LEAF.slice(1), seed: 8 });
  paint.disc(29, 29, 3, () => EARTH[1]);
  return paint;
}

export function fern(seed: number): Paint {
  const paint = new Paint(28, 28);
  rosette(paint, 14, 14, { count: 9, lengthPx: 13, halfPx: 2.2, tones: LEAF, seed, widest: 0.35 });
  rosette(paint, 14, 14, { count: 6, lengthPx: 7, halfPx: 1.4, tones: LEAF.slice(1), seed: seed + 3 });
  return paint;
}

export function broadLeaf(): Paint {
  const paint = new Paint(40, 40);
  rosette(paint, 20, 20, { count: 7, lengthPx: 19, halfPx: 5, tones: LEAF, seed: 17, widest: 0.6 });
  rosette(paint, 20, 20, { count: 3, lengthPx: 11, halfPx: 3.4, tones: LEAF.slice(1), seed: 23 });
  return paint;
}

export function cushion(seed: number): Paint {
  const paint = new Paint(14, 12);
  for (let tuft = 0; tuft < 4; tuft++) {
    const [x, y] = [3 + 8 * hash01(seed, tuft), 3 + 6 * hash01(seed + 1, tuft)];
    paint.disc(
      x,
      y,
      2.6 + hash01(seed + 2, tuft),
      (i, j, d) => MOSS[d > 2.4 ? 1 : j < y ? 4 : 2 + ((i + j) % 2)],
    );
  }
  return paint;
}

/** An orchid in a pot: strap leaves, and a spray of flowers over them. */
export function orchid(tones: readonly string[], seed: number): Paint {
  const paint = new Paint(16, 16);
  pot(paint, 8, 9, 4.4);
  rosette(paint, 8, 9, { count: 5, lengthPx: 7, halfPx: 1.5, tones: LEAF, seed, widest: 0.5 });
  for (let flower = 0; flower < 5; flower++) {
    const [x, y] = [
      3 + Math.floor(10 * hash01(seed + 5, flower)),
      2 + Math.floor(9 * hash01(seed + 6, flower)),
    ];
    for (const [dx, dy, tone] of [
      [0, -1, 3],
      [-1, 0, 4],
      [1, 0, 2],
      [0, 1, 1],
      [0, 0, 3],
    ])
      paint.dot(x + dx, y + dy, tones[tone]);
    paint.dot(x, y, CREAM[2]);
  }
  return paint;
}

/** A flower of the night: leaves by day, pale stars where a lamp comes by. */
export function nightFlower(): Paint {
  const paint = new Paint(18, 18);
  for (let flower = 0; flower < 6; flower++) {
    const [x, y] = [4 + 10 * hash01(41, flower), 4 + 10 * hash01(42, flower)];
    rosette(paint, x, y, { count: 5, lengthPx: 4, halfPx: 1, tones: PETAL.slice(1), seed: 50 + flower });
    paint.dot(Math.floor(x), Math.floor(y), CREAM[2]);
  }
  return paint;
}

export function cactus(): Paint {
  const paint = new Paint(12, 12);
  pot(paint, 6, 6, 5);
  paint.disc(6, 6, 3.2, (x, y) => MOSS[x + y < 11 ? 4 : x + y < 14 ? 3 : 1]);
  for (const [x, y] of [
    [4, 4],
    [7, 4],
    [5, 7],
    [8, 7],
  ])
    paint.dot(x, y, CREAM[2]);
  return paint;
}

export function seedlings(): Paint {
  const paint = new Paint(26, 14);
  paint.box(0, 0, 26, 14, TERRACOTTA[1]);
  paint.box(0, 0, 26, 1, TERRACOTTA[3]);
  paint.box(1, 1, 24, 12, EARTH[0]);
  for (let column = 0; column < 6; column++)
    for (let row = 0; row < 3; row++) {
      const [x, y] = [3 + column * 4, 3 + row * 4];
      paint.dot(x, y, LEAF[4]);
      paint.dot(x - 1, y, LEAF[3]);
      paint.dot(x + 1, y + (row % 2), LEAF[5]);
    }
  return paint;
}

export function lilyPad(seed: number): Paint {
  const paint = new Paint(14, 14);
  paint.disc(7, 7, 6, (x, y, d) =>
    Math.abs(y - 7) < (x - 7) / 3 ? null : LEAF[d > 5 ? 2 : (x + 2 * y + seed) % 5 === 0 ? 4 : 3],
  );
  if (seed % 2 === 0)
    rosette(paint, 6, 6, { count: 6, lengthPx: 4, halfPx: 1.2, tones: PETAL.slice(1), seed });
  return paint;
}

/** Ivy that creeps over a wall. */
export function vine(seed: number): Paint {
  const paint = new Paint(40, 16);
  for (let leaf = 0; leaf < 44; leaf++) {
    const x = 3 + 34 * hash01(seed, leaf);
    const y = 4 + 8 * hash01(seed + 1, leaf) * (0.4 + 0.6 * sin((x / 40) * Math.PI));
    paint.disc(x, y, 1.4 + 1.2 * hash01(seed + 2, leaf), (i, j, d) => LEAF[d > 1.6 ? 1 : 2 + ((i + j) % 3)]);
  }
  return paint;
}

export function pond(): Paint {
  const paint = new Paint(96, 64);
  paint.disc(48, 32, 47, (x, y) => {
    const [u, v] = [(x + 0.5 - 48) / 47, (y + 0.5 - 32) / 31];
    const d = u * u + v * v;
    if (d > 1) return null;
    if (d > 0.86) return TERRACOTTA[(x + 2 * y) % 7 === 0 ? 1 : d > 0.94 ? 1 : 3];
    return WATER[
      d > 0.78 ? 0 : hash01(77, 64 * y + x) < 0.05 ? 3 : (y + Math.floor(x / 5)) % 9 === 0 ? 2 : 1
    ];
  });
  return paint;
}
