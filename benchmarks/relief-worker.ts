/**
 * Runs in a web worker: reliefs part by part, and beside each the plain chain that they are held against in the same
 * round: exact distance, a blur, derivatives, bytes.
 */
import { emptyImage, type Image } from '@/core/raster/image';
import { blurred } from '@/core/raster/blur';
import { ALL_CLOSED, distanceInside } from '@/core/raster/distance';
import { writePng } from '@/core/raster/png-write';
import { normalsOf } from '@/core/relief/normals';
import { recipeWith, type Recipe } from '@/core/relief/recipe';
import { reducedSource, reductionFor } from '@/core/relief/reduced';
import { pictureRelief, reliefOf } from '@/core/relief/relief-of';
import { silhouetteOf } from '@/core/relief/silhouette';
import { plainSource } from '@/core/relief/source';
import { Workings } from '@/core/relief/workings';
import { hash01 } from '@/core/time/noise';
import { deflate } from '@/workers/deflate';
import { upsampled } from '@/workers/upsampled';

/** A painted star of a thousand tones, two thirds of its square. */
function sprite(side: number): Image {
  const image = emptyImage(side, side);
  for (let y = 0; y < side; y++) {
    for (let x = 0; x < side; x++) {
      const [dx, dy] = [((x + 0.5) / side - 0.5) * 1024, ((y + 0.5) / side - 0.5) * 1024];
      const r = Math.sqrt(dx * dx + dy * dy);
      const tone = 90 + 100 * hash01(7, (y >> 3) * 512 + (x >> 3)) + 30 * hash01(8, y * side + x);
      const reach = 430 + 60 * hash01(9, Math.floor((dx / (r + 1)) * 8));
      image.data.set([tone, tone * 0.8, tone * 0.6, r < reach ? 255 : 0], 4 * (y * side + x));
    }
  }
  return image;
}

const RECIPES = {
  bevel: recipeWith({ body: { kind: 'bevel', widthPx: 40, heightPx: 24 }, sandingPx: 1, pixelArt: 'no' }),
  inflate: recipeWith({ body: { kind: 'inflate' }, sandingPx: 1, pixelArt: 'no' }),
  full: recipeWith({
    body: { kind: 'inflate', regions: 'outlines' },
    swatches: [{ colour: '#806040', heightPx: 1, mute: true, glow: 0 }],
    sandingPx: 1,
    pixelArt: 'no',
  }),
};
const ONE_FRAME = (side: number) => [{ left: 0, top: 0, right: side, bottom: side }];

const sprites = new Map<number, Image>();
function spriteOf(side: number): Image {
  const image = sprites.get(side) ?? sprite(side);
  sprites.set(side, image);
  return image;
}

function plainChain(image: Image): void {
  const { width, height, inside } = silhouetteOf(image);
  const distance = distanceInside(inside, width, height, ALL_CLOSED);
  const heights = blurred(distance, null, width, height, 2);
  normalsOf({
    width,
    height,
    heights,
    inside,
    frames: ONE_FRAME(width),
    wrap: { x: false, y: false },
    pixelArt: false,
    strength: 1,
    paint: null,
    given: null,
    facings: { directions: 0, tilts: 0, dither: false },
  });
}

async function timed(work: () => unknown): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

const workings = { small: new Workings(), whole: new Workings() };
let moves = 0;

/** The full recipe with the fader of the grain's height, then that of the body's fullness, at another place each time. */
function moved(): Recipe {
  moves++;
  const { body, grain } = RECIPES.full;
  const at = 1 + (moves % 50) / 50;
  return moves % 2 === 0
    ? { ...RECIPES.full, grain: { ...grain, heightPx: at } }
    : { ...RECIPES.full, body: { ...body, fullness: at } };
}

export interface ReliefTask {
  kind:
    | keyof typeof RECIPES
    | 'plain'
    | 'first picture'
    | 'first picture of a moving control'
    | 'full of a moving control'
    | 'png'
    | 'batch of 100, 128 x 128';
  side: number;
}

async function run({ kind, side }: ReliefTask): Promise<{ parts: Record<string, number>; whole: number }> {
  const image = spriteOf(side);
  const parts: Record<string, number> = {};
  if (kind === 'plain') return { parts, whole: await timed(() => plainChain(image)) };
  if (kind === 'first picture' || kind === 'first picture of a moving control') {
    const remember = kind === 'first picture' ? undefined : workings.small.remember;
    const whole = await timed(() => {
      const factor = reductionFor(side, side);
      const small = reliefOf(
        reducedSource(plainSource(image, moved()), factor, remember),
        undefined,
        remember,
      );
      upsampled(small, factor, side, side);
    });
    return { parts, whole };
  }
  if (kind === 'png') {
    const { normals } = pictureRelief(image, RECIPES.bevel);
    const whole = await timed(() =>
      writePng({ width: side, height: side, channels: 4, data: normals }, {}, deflate),
    );
    return { parts, whole };
  }
  if (kind === 'batch of 100, 128 x 128') {
    const small = spriteOf(128);
    const whole = await timed(() => {
      for (let i = 0; i < 100; i++) pictureRelief(small, RECIPES.full);
    });
    return { parts, whole };
  }
  const isMoved = kind === 'full of a moving control';
  let last = performance.now();
  const start = last;
  const partDone = (part: string) => {
    const now = performance.now();
    parts[part] = (parts[part] ?? 0) + now - last;
    last = now;
  };
  const source = plainSource(image, isMoved ? moved() : RECIPES[kind]);
  reliefOf(source, partDone, isMoved ? workings.whole.remember : undefined);
  return { parts, whole: performance.now() - start };
}

self.onmessage = async ({ data }: MessageEvent<ReliefTask>) => self.postMessage(await run(data));
