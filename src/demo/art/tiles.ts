/** Tiles of the halt's yard: cinders with and without grass, sleepers on edge, and a brick wall with its coping. */
import { hash01 } from '@/core/time/noise';
import { Paint } from '@/ready/paint';
import { EARTH, IRON, MOSS, RUST, STONE } from '@/ready/palette';

export const TILES = { side: 16, columns: 4, rows: 2 } as const;
/** Tiles by their places on the sheet. */
export const TILE = {
  brick: 0,
  brickWorn: 1,
  coping: 2,
  copingMoss: 3,
  slope: 4,
  footing: 5,
  vent: 6,
  arch: 7,
} as const;

export function wallTiles(): Paint {
  const { side, columns, rows } = TILES;
  const sheet = new Paint(columns * side, rows * side);
  const put = (tile: number, paint: Paint) =>
    sheet.stamp(paint, (tile % columns) * side, Math.floor(tile / columns) * side);
  put(TILE.brick, bricks(3));
  const worn = bricks(9);
  worn.speckle(0, 0, side, side, [MOSS[1], MOSS[2], RUST[0]], 0.16, 4);
  put(TILE.brickWorn, worn);
  put(TILE.coping, coping(5));
  const moss = coping(11);
  for (let x = 0; x < side; x++) {
    const hang = Math.floor(4 * hash01(31, x)) - 1;
    for (let y = 2; y < 3 + hang; y++) moss.dot(x, y, MOSS[2 + ((x + y) % 3)]);
  }
  put(TILE.copingMoss, moss);
  put(TILE.slope, slope());
  const footing = bricks(17);
  footing.shaded(0, side - 5, side, 5, [EARTH[2], EARTH[1]]);
  footing.speckle(0, side - 6, side, 6, [MOSS[1], MOSS[3], EARTH[3]], 0.3, 6);
  put(TILE.footing, footing);
  const vent = bricks(23);
  vent.box(5, 5, 6, 7, IRON[0]);
  vent.box(5, 12, 6, 1, STONE[4]);
  put(TILE.vent, vent);
  const arch = bricks(29);
  arch.disc(8, 16, 6, (_, y) => (y < side ? IRON[0] : null));
  put(TILE.arch, arch);
  return sheet;
}

/** Four courses, each half a brick beside the one below, mortar between them. */
function bricks(seed: number): Paint {
  const { side } = TILES;
  const paint = new Paint(side, side);
  paint.box(0, 0, side, side, STONE[1]);
  for (let course = 0; course < 4; course++) {
    for (let k = -1; k < 2; k++) {
      const left = k * 8 + (course % 2) * 4;
      const tone = 1 + Math.floor(3 * hash01(seed, course * 8 + k + 2));
      const brick = new Paint(7, 3);
      brick.box(0, 0, 7, 3, RUST[tone]);
      brick.box(0, 0, 7, 1, RUST[Math.min(4, tone + 1)]);
      brick.dot(6, 2, RUST[Math.max(0, tone - 1)]);
      paint.stamp(brick, left, course * 4);
      if (left + 8 > side) paint.stamp(brick, left - side, course * 4);
    }
  }
  return paint;
}

function coping(seed: number): Paint {
  const { side } = TILES;
  const paint = bricks(seed);
  for (let y = 0; y < 4; y++) for (let x = 0; x < side; x++) paint.dot(x, y, STONE[[5, 4, 3, 1][y]]);
  paint.speckle(0, 1, side, 2, [STONE[2], STONE[5]], 0.2, seed);
  return paint;
}

/** The wall runs down to the right: what is above the slope is clear. */
function slope(): Paint {
  const { side } = TILES;
  const wall = bricks(13);
  const paint = new Paint(side, side);
  for (let x = 0; x < side; x++) {
    for (let y = x; y < side; y++) {
      const [r, g, b] = wall.image.data.subarray(4 * (y * side + x), 4 * (y * side + x) + 3);
      const hex = `#${[r, g, b].map((v) => v.toString(16).padStart(2, '0')).join('')}`;
      paint.dot(x, y, y - x < 2 ? STONE[5 - (y - x)] : hex);
    }
  }
  return paint;
}
