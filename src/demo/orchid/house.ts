/** What the Orchid House is built of, seen from above: walls, floor, glass, staging, and who works there. */
import { hash01 } from '@/core/time/noise';
import { Paint } from '@/ready/paint';
import { CREAM, EARTH, GLASS, IRON, MOSS, SLATE, STONE, TERRACOTTA, TIMBER } from '@/ready/palette';

export const WALL_TILES = { side: 16, columns: 4, rows: 1 } as const;
export const WALL_TILE = { brick: 0, worn: 1, corner: 2, sill: 3 } as const;

/** The dwarf wall from above: brick on edge, with a stone kerb. */
export function wallTiles(): Paint {
  const { side, columns } = WALL_TILES;
  const sheet = new Paint(columns * side, side);
  for (const [name, tile] of Object.entries(WALL_TILE)) {
    const paint = new Paint(side, side);
    paint.box(0, 0, side, side, TERRACOTTA[0]);
    for (let y = 0; y < 4; y++)
      for (let x = -1; x < 3; x++) {
        const tone = 1 + Math.floor(2 * hash01(60 + tile, 8 * y + x + 1));
        const left = x * 8 + (y % 2) * 4;
        for (let i = 0; i < 7; i++)
          for (let j = 0; j < 3; j++) paint.dot(left + i, y * 4 + j, TERRACOTTA[j === 0 ? tone + 1 : tone]);
      }
    if (name === 'worn') paint.speckle(0, 0, side, side, [MOSS[1], MOSS[3], STONE[2]], 0.2, 6);
    if (name === 'corner') {
      paint.box(2, 2, 12, 12, STONE[3]);
      paint.box(2, 2, 12, 1, STONE[5]);
      paint.box(2, 13, 12, 1, STONE[1]);
    }
    if (name === 'sill') {
      paint.box(0, 5, side, 6, STONE[3]);
      paint.box(0, 5, side, 1, STONE[5]);
      paint.box(0, 10, side, 1, STONE[1]);
    }
    sheet.stamp(paint, tile * side, 0);
  }
  return sheet;
}

/** Wet grass around the house. */
export function garden(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  paint.box(0, 0, width, height, MOSS[0]);
  paint.speckle(0, 0, width, height, [MOSS[1], MOSS[1], MOSS[2], '#1c2618'], 0.5, 12);
  return paint;
}

/** Encaustic tiles in two colours, worn along the paths. */
export function floor(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  const side = 12;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [column, row] = [Math.floor(x / side), Math.floor(y / side)];
      const [i, j] = [x % side, y % side];
      const isJoint = i === side - 1 || j === side - 1;
      const isDark = (column + row) % 2 === 0;
      const wear = hash01(31, 512 * row + column);
      const ramp = isDark ? SLATE : STONE;
      const tone = isDark ? 1 + Math.floor(2 * wear) : 2 + Math.floor(2 * wear);
      const edge = i === 0 || j === 0 ? 1 : 0;
      paint.dot(x, y, isJoint ? IRON[1] : ramp[Math.min(ramp.length - 1, tone + edge)]);
    }
  paint.speckle(0, 0, width, height, [STONE[1], SLATE[1], MOSS[1]], 0.05, 19);
  return paint;
}

/** Dark soil within a kerb of tiles on edge. */
export function bed(width: number, height: number, seed: number): Paint {
  const paint = new Paint(width, height);
  paint.box(0, 0, width, height, TERRACOTTA[2]);
  for (let x = 0; x < width; x += 5) paint.box(x, 0, 1, height, TERRACOTTA[0]);
  for (let y = 0; y < height; y += 5) paint.box(0, y, width, 1, TERRACOTTA[0]);
  paint.box(3, 3, width - 6, height - 6, EARTH[0]);
  paint.speckle(3, 3, width - 6, height - 6, [EARTH[1], EARTH[1], EARTH[2], MOSS[1]], 0.45, seed);
  return paint;
}

/** Slatted staging on iron legs. */
export function staging(width: number, height: number): Paint {
  const paint = new Paint(width, height);
  for (let y = 0; y < height; y++) {
    const slat = Math.floor(y / 5);
    for (let x = 0; x < width; x++) {
      const grain = hash01(44 + slat, Math.floor(x / 6));
      const tone = y % 5 === 0 ? 4 : y % 5 === 4 ? 0 : 2 + Math.floor(2 * grain);
      paint.dot(x, y, TIMBER[tone]);
    }
  }
  for (let x = 4; x < width; x += 28) {
    paint.box(x, 0, 2, height, TIMBER[1]);
    paint.box(x, 0, 1, height, TIMBER[3]);
  }
  return paint;
}

/** A pane of the partition from above: glass between two bars. */
export function pane(): Paint {
  const paint = new Paint(6, 26);
  paint.box(2, 0, 2, 26, GLASS[3]);
  paint.box(2, 0, 1, 26, GLASS[4]);
  for (const y of [0, 24]) {
    paint.box(0, y, 6, 2, IRON[4]);
    paint.box(0, y + 1, 6, 1, IRON[2]);
  }
  return paint;
}

/** A truss of the roof, high over everything. */
export function truss(width: number): Paint {
  const paint = new Paint(width, 3);
  paint.box(0, 0, width, 1, IRON[4]);
  paint.box(0, 1, width, 1, IRON[2]);
  for (let x = 0; x < width; x += 12) paint.box(x, 0, 2, 3, IRON[3]);
  return paint;
}

export function basket(): Paint {
  const paint = new Paint(15, 15);
  paint.disc(7.5, 7.5, 7, (x, y, d) => (d > 5.6 ? TIMBER[x + y < 14 ? 4 : 1] : MOSS[1 + ((x * 3 + y) % 3)]));
  paint.line(0, 7, 14, 7, IRON[3]);
  paint.line(7, 0, 7, 14, IRON[3]);
  return paint;
}

export function wateringCan(): Paint {
  const paint = new Paint(14, 9);
  paint.disc(9, 4.5, 4.2, (x, y, d) => (d > 3.4 ? SLATE[1] : SLATE[y < 4 ? 4 : 3]));
  paint.line(0, 4, 5, 4, SLATE[3]);
  paint.box(0, 2, 1, 5, SLATE[4]);
  paint.box(8, 2, 2, 5, SLATE[0]);
  return paint;
}

export function doorMat(): Paint {
  const paint = new Paint(34, 14);
  paint.box(0, 0, 34, 14, TIMBER[1]);
  paint.speckle(0, 0, 34, 14, [TIMBER[2], TIMBER[0]], 0.5, 3);
  paint.box(0, 0, 34, 1, TIMBER[3]);
  return paint;
}

export const GARDENER = { frames: 4, width: 18, height: 18, rateHz: 5 } as const;
/** The gardener from above: a straw hat, shoulders, boots that come and go, and a hand that holds a lamp out. */
export function gardener(): Paint {
  const { frames, width, height } = GARDENER;
  const sheet = new Paint(frames * width, height);
  const stride = [3, 0, -3, 0];
  for (let frame = 0; frame < frames; frame++) {
    const one = new Paint(width, height);
    const step = stride[frame];
    one.box(8 + step, 5, 4, 3, IRON[1]);
    one.box(8 - step, 11, 4, 3, IRON[1]);
    one.disc(8, 9, 5.4, (x, y, d) => (d > 5 ? SLATE[0] : Math.abs(y - 9) > 3 ? SLATE[2] : SLATE[1]));
    one.line(9, 13, 14, 14, SLATE[2]);
    one.box(14, 13, 2, 2, CREAM[0]);
    one.disc(8, 9, 4.2, (x, y, d) => (d > 3.2 ? TIMBER[3] : x + y < 16 ? CREAM[1] : CREAM[0]));
    one.disc(8, 9, 2, (x, y) => (x + y < 16 ? CREAM[2] : TIMBER[5]));
    sheet.stamp(one, frame * width, 0);
  }
  return sheet;
}
