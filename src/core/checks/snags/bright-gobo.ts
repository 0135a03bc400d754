import type { PicturePixels } from '../../moment/moment';
import type { Rect } from '../../raster/rect';
import { changedLook } from '../named';
import { mendBy, type SnagKind } from './kind';

/** A border is bright where more than this share of its texels has more than this luminous alpha, of 255. */
const BRIGHT = 24;
const BRIGHT_SHARE = 0.02;
/** The fade that is offered, as a share of the gobo's shorter side. */
const FADE_SHARE = 0.15;

/** A gobo that is bright at its border ends in a hard edge: the square of its picture is seen. */
export const brightGobo: SnagKind = {
  isFault: false,
  find({ scene, rest, source }) {
    return rest.lights.flatMap((one) => {
      const { light, look, record, words } = one;
      const { gobo } = light;
      if (!gobo || !look.gobo || look.gobo.fadePx > 0) return [];
      // Round and pointed lights end before it does, where they are smaller.
      const { widthPx, heightPx } = look.gobo;
      if (light.figure !== 'picture' && 2 * light.reachPx < Math.min(widthPx, heightPx)) return [];
      const pixels = source(rest.moment.pictures[gobo.picture].key);
      if (!pixels || !isBrightAt(pixels, gobo.frame)) return [];
      const fadePx = Math.max(1, Math.round(Math.min(widthPx, heightPx) * FADE_SHARE));
      const faded = changedLook(scene, one, { gobo: { ...look.gobo, fadePx } });
      return [
        {
          records: [record],
          words: `The gobo of ${words} is bright at its border: its square is seen where it ends.`,
          mends: mendBy(`Fade its border over ${fadePx} px`, faded),
        },
      ];
    });
  },
};

function isBrightAt({ width, rgba }: PicturePixels, { left, top, right, bottom }: Rect): boolean {
  let [bright, all] = [0, 0];
  const look = (x: number, y: number) => {
    const at = 4 * (y * width + x);
    all++;
    if ((Math.max(rgba[at], rgba[at + 1], rgba[at + 2]) * rgba[at + 3]) / 255 > BRIGHT) bright++;
  };
  for (let x = left; x < right; x++) {
    look(x, top);
    look(x, bottom - 1);
  }
  for (let y = top; y < bottom; y++) {
    look(left, y);
    look(right - 1, y);
  }
  return bright > all * BRIGHT_SHARE;
}
