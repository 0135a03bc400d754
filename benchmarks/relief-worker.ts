/** Runs in a web worker: the relief of a 1024 x 1024 sprite, part by part. */
import { emptyImage } from '@/core/raster/image';
import { recipeWith } from '@/core/relief/recipe';
import { pictureRelief } from '@/core/relief/relief-of';
import { hash01 } from '@/core/time/noise';

const SIDE = 1024;

function sprite() {
  const image = emptyImage(SIDE, SIDE);
  for (let y = 0; y < SIDE; y++) {
    for (let x = 0; x < SIDE; x++) {
      const [dx, dy] = [x - SIDE / 2, y - SIDE / 2];
      const r = Math.sqrt(dx * dx + dy * dy);
      const tone = 90 + 100 * hash01(7, (y >> 3) * 512 + (x >> 3)) + 30 * hash01(8, y * SIDE + x);
      image.data.set(
        [tone, tone * 0.8, tone * 0.6, r < 430 + 60 * hash01(9, Math.floor((dx / (r + 1)) * 8)) ? 255 : 0],
        4 * (y * SIDE + x),
      );
    }
  }
  return image;
}

const image = sprite();
const recipes = {
  bevel: recipeWith({ body: { kind: 'bevel', widthPx: 40, heightPx: 24 }, sandingPx: 1, pixelArt: 'no' }),
  inflate: recipeWith({ body: { kind: 'inflate' }, sandingPx: 1, pixelArt: 'no' }),
};

self.onmessage = ({ data }: MessageEvent<keyof typeof recipes>) => {
  const parts: Record<string, number> = {};
  const start = performance.now();
  let last = start;
  pictureRelief(image, recipes[data], (part) => {
    const now = performance.now();
    parts[part] = now - last;
    last = now;
  });
  self.postMessage({ parts, whole: performance.now() - start });
};
