/** The shapes of standing sprites in the sun, softened with the height of what throws them. */
import type { Moment, MomentCast, MomentLight, PicturePixels } from '../moment/moment';

/** Places and weights across the softened width, along either axis. */
export const CAST_TAPS: readonly (readonly [number, number])[] = [
  [-1, 0.25],
  [0, 0.5],
  [1, 0.25],
];

/** Whether a shape falls on a plane, by its number: on that of what throws it, and on those behind. */
export function fallsOn(cast: MomentCast, plane: number): boolean {
  return plane <= cast.plane;
}

/** The share of a sun that comes past all shapes to a point of a plane. */
export function pastCasts(
  { casts, pixelArt }: Moment,
  light: MomentLight,
  pixels: readonly (PicturePixels | null)[],
  plane: number,
  px: number,
  py: number,
): number {
  let open = 1;
  for (const index of light.casts) {
    const cast = casts[index];
    const picture = pixels[cast.picture];
    const { left, top, right, bottom } = cast.box;
    if (!picture || !fallsOn(cast, plane) || px < left || px > right || py < top || py > bottom) continue;
    open *= 1 - cast.opacity * thrownAt(cast, picture, pixelArt, px, py);
  }
  return open;
}

function thrownAt(
  { inverse: m, above, spread, frame }: MomentCast,
  picture: PicturePixels,
  nearest: boolean,
  px: number,
  py: number,
): number {
  const height = above[0] * px + above[1] * py + above[2];
  if (height < 0) return 0;
  const u = m.a * px + m.c * py + m.e;
  const v = m.b * px + m.d * py + m.f;
  const wide = height * spread;
  if (wide === 0) return alphaAt(picture, frame, u, v, nearest);
  let sum = 0;
  for (const [dx, wx] of CAST_TAPS)
    for (const [dy, wy] of CAST_TAPS)
      sum += wx * wy * alphaAt(picture, frame, u + dx * wide, v + dy * wide, nearest);
  return sum;
}

/** The alpha at a place of a frame; nothing beyond it. */
function alphaAt(
  { width, rgba }: PicturePixels,
  { left, top, right, bottom }: MomentCast['frame'],
  u: number,
  v: number,
  nearest: boolean,
): number {
  const at = (x: number, y: number) =>
    x < 0 || y < 0 || x >= right - left || y >= bottom - top
      ? 0
      : rgba[4 * ((top + y) * width + left + x) + 3] / 255;
  if (nearest) return at(Math.floor(u), Math.floor(v));
  const [x, y] = [Math.floor(u - 0.5), Math.floor(v - 0.5)];
  const [fx, fy] = [u - 0.5 - x, v - 0.5 - y];
  return (
    (at(x, y) * (1 - fx) + at(x + 1, y) * fx) * (1 - fy) +
    (at(x, y + 1) * (1 - fx) + at(x + 1, y + 1) * fx) * fy
  );
}
