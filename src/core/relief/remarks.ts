/** What is probably wrong with a relief, in a word each. */
import { NORMAL_BYTE_TO_VALUE } from '../light/terms/facing';
import { judgeOrientation } from './orientation';
import type { Recipe } from './recipe';
import { STEEPEST_NZ } from './normals';
import type { ReliefSource } from './source';

export const REMARKS = [
  'empty',
  'flat',
  'wild',
  'tone-led',
  'torn',
  'odd-size',
  'orientation-doubtful',
] as const;
export type Remark = (typeof REMARKS)[number];

/** Facings within about 3 degrees of straight up are flat; this share of them makes a relief flat. */
const FLAT_NZ = 0.9986;
const FLAT_SHARE = 0.9;
/** Facings beyond 65 degrees are steep; above this share of them a relief is wild. */
const STEEP_NZ = 0.4226;
const WILD_SHARE = 0.12;
/** A curl of slopes above this is more than rounding; above this share of such places a relief is torn. */
const TORN_CURL = 0.6;
const TORN_SHARE = 0.01;
/** With fewer clear pixels than this a picture is a full tile, which has no silhouette to make a body of. */
const TILE_SHARE = 0.02;

/**
 * @param normals RGBA bytes of the art's size
 * @param inside flags of the pixels that count
 */
export function remarksOn(
  source: Pick<ReliefSource, 'recipe' | 'cells' | 'frames' | 'borrowed' | 'normals' | 'heights'>,
  normals: Uint8Array,
  inside: Uint8Array,
  width: number,
  height: number,
): Remark[] {
  const remarks: Remark[] = [];
  let count = 0;
  let flat = 0;
  let steep = 0;
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    count++;
    const nz = NORMAL_BYTE_TO_VALUE[normals[4 * i + 2]];
    if (nz > FLAT_NZ) flat++;
    else if (nz < STEEP_NZ) steep++;
  }
  if (count === 0) return ['empty'];
  if (flat > FLAT_SHARE * count) remarks.push('flat');
  if (steep > WILD_SHARE * count) remarks.push('wild');
  const hasShape = source.borrowed || source.normals || source.heights;
  if (!hasShape && isToneLed(source.recipe) && count < (1 - TILE_SHARE) * inside.length)
    remarks.push('tone-led');
  if (tornShare(normals, inside, width, height) > TORN_SHARE) remarks.push('torn');
  if (hasOddCells(source, width, height)) remarks.push('odd-size');
  const { normals: imported } = source;
  const isJudged = imported !== null && !imported.orientationChosen;
  if (isJudged && judgeOrientation(imported.image, inside).orientation === 'doubtful')
    remarks.push('orientation-doubtful');
  return remarks;
}

/** Whether the cells of a sheet leave something over. */
function hasOddCells(
  { cells, frames, recipe }: Pick<ReliefSource, 'cells' | 'frames' | 'recipe'>,
  width: number,
  height: number,
): boolean {
  if (frames.length > 0) return false;
  const { columns, rows, marginPx, gapPx } = cells ?? recipe.cells;
  const isOdd = (side: number, count: number) => (side - 2 * marginPx - (count - 1) * gapPx) % count !== 0;
  return isOdd(width, columns) || isOdd(height, rows);
}

function isToneLed({ body, grain }: Recipe): boolean {
  const hasBody =
    body.kind === 'bevel' ? body.heightPx !== 0 : body.kind === 'inflate' && body.fullness !== 0;
  return !hasBody && grain.heightPx * grain.share !== 0;
}

/** The share of places round which the slopes do not come back to where they began: no surface has such facings. */
function tornShare(normals: Uint8Array, inside: Uint8Array, width: number, height: number): number {
  const slope = (i: number, c: number) =>
    -NORMAL_BYTE_TO_VALUE[normals[4 * i + c]] /
    Math.max(STEEPEST_NZ * 4, NORMAL_BYTE_TO_VALUE[normals[4 * i + 2]]);
  let torn = 0;
  let count = 0;
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      if (!(inside[i] & inside[i - 1] & inside[i + 1] & inside[i - width] & inside[i + width])) continue;
      count++;
      // Green points up: the slope downward is minus what it says.
      const curl = (slope(i + 1, 1) - slope(i - 1, 1)) / 2 + (slope(i + width, 0) - slope(i - width, 0)) / 2;
      if (Math.abs(curl) > TORN_CURL) torn++;
    }
  }
  return count === 0 ? 0 : torn / count;
}
