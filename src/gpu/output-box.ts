import type { Box } from '@/core/geometry/affine';
import type { MomentSprite, View } from '@/core/moment/moment';

/** The whole output pixels, left, top, right, bottom, that a box of the scene may touch; null where none is in view. */
export function outputBox(view: View, box: Box): [number, number, number, number] | null {
  const scale = view.outputPerScenePx;
  // Most things of a large scene are not in view: they are told apart before anything is worked out.
  const beyond = 1 + 1 / scale;
  if (box.right < view.x - beyond || box.bottom < view.y - beyond) return null;
  if (box.left > view.x + view.widthPx / scale + beyond || box.top > view.y + view.heightPx / scale + beyond)
    return null;
  const left = Math.max(0, Math.floor((box.left - view.x) * scale) - 1);
  const top = Math.max(0, Math.floor((box.top - view.y) * scale) - 1);
  const right = Math.min(view.widthPx, Math.ceil((box.right - view.x) * scale) + 1);
  const bottom = Math.min(view.heightPx, Math.ceil((box.bottom - view.y) * scale) + 1);
  return right > left && bottom > top ? [left, top, right, bottom] : null;
}

/** The output pixels that a layer may touch: those of its sprites that are in view. */
export function layerBox(
  view: View,
  sprites: readonly MomentSprite[],
): [number, number, number, number] | null {
  let sum: [number, number, number, number] | null = null;
  for (const { box } of sprites) {
    const own = outputBox(view, box);
    if (!own) continue;
    if (!sum) sum = own;
    else {
      sum[0] = Math.min(sum[0], own[0]);
      sum[1] = Math.min(sum[1], own[1]);
      sum[2] = Math.max(sum[2], own[2]);
      sum[3] = Math.max(sum[3], own[3]);
    }
  }
  return sum;
}
