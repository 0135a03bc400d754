/** Decoding, first looks and reliefs on a thread of their own. */
import { expose, transfer } from 'comlink';
import { normalFile } from '@/core/handoff/maps';
import { looksLikePixelArt, type Image } from '@/core/raster/image';
import { decodePng, encodePng } from '@/core/raster/png';
import { chooseRecipe } from '@/core/relief/choose-recipe';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import { reducedImage, reducedRecipe, reductionFor } from '@/core/relief/reduced';
import { pictureRelief, type ReliefResult } from '@/core/relief/relief-of';

export interface ReliefAnswer {
  normals: Uint8Array;
  heights: Float32Array;
  /** Milliseconds of the work. */
  took: number;
}

/** A request that a newer one of the same lane overtakes. */
export interface Ticket {
  lane: number;
  number: number;
}

export interface FirstLook {
  widthPx: number;
  heightPx: number;
  pixelArt: boolean;
  recipe: Recipe;
  seen: string;
}

/** Decoded pictures that are kept, least recently used; a 4096 x 4096 one has 64 MB. */
const KEPT_BYTES = 384 * 1024 * 1024;
const images = new Map<string, Image>();

/** The newest request of each lane, one place a lane; older ones stop at their next part. */
let newest: Int32Array | null = null;
class Overtaken extends Error {}

function remember(sha256: string, image: Image): void {
  images.delete(sha256);
  images.set(sha256, image);
  let bytes = 0;
  for (const kept of images.values()) bytes += kept.data.length;
  for (const oldest of images.keys()) {
    if (bytes <= KEPT_BYTES || oldest === sha256) break;
    bytes -= images.get(oldest)!.data.length;
    images.delete(oldest);
  }
}

function imageOf(sha256: string): Image {
  const image = images.get(sha256);
  if (!image) throw new Error('The picture is no longer at hand; open the artwork again.');
  return image;
}

function upsampled(small: ReliefResult, factor: number, width: number, height: number): ReliefResult {
  const normals = new Uint8Array(width * height * 4);
  const heights = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const sy = Math.min(small.height - 1, Math.floor(y / factor));
    for (let x = 0; x < width; x++) {
      const from = sy * small.width + Math.min(small.width - 1, Math.floor(x / factor));
      normals.set(small.normals.subarray(4 * from, 4 * from + 4), 4 * (y * width + x));
      heights[y * width + x] = small.heights[from] * factor;
    }
  }
  return { width, height, normals, heights };
}

const work = {
  /** Shares the numbers by which requests are overtaken; without them every request runs to its end. */
  share(numbers: Int32Array): void {
    newest = numbers;
  },

  decode(sha256: string, bytes: Uint8Array): Image {
    const { image } = decodePng(bytes);
    remember(sha256, image);
    const data = image.data.slice();
    return transfer({ ...image, data }, [data.buffer]);
  },

  /** Checks a file that someone dropped, and chooses a recipe by looking at it. */
  firstLook(bytes: Uint8Array): FirstLook {
    const { image } = decodePng(bytes);
    const { recipe, seen } = chooseRecipe(image);
    return { widthPx: image.width, heightPx: image.height, pixelArt: looksLikePixelArt(image), recipe, seen };
  },

  chooseRecipe(sha256: string): { recipe: Recipe; seen: string } {
    return chooseRecipe(imageOf(sha256));
  },

  /**
   * @param ticket lane and number of the request; null cannot be overtaken
   * @param quick whether a reduced picture is enough
   */
  relief(sha256: string, recipe: Recipe, ticket: Ticket | null, quick: boolean): ReliefAnswer | null {
    const start = performance.now();
    const image = imageOf(sha256);
    const whole = readRecipe(recipe);
    const check = () => {
      if (ticket && newest && Atomics.load(newest, ticket.lane) > ticket.number) throw new Overtaken();
    };
    try {
      check();
      const factor = quick ? reductionFor(image.width, image.height) : 1;
      const result =
        factor === 1
          ? pictureRelief(image, whole, check)
          : upsampled(
              pictureRelief(reducedImage(image, factor), reducedRecipe(whole, factor), check),
              factor,
              image.width,
              image.height,
            );
      const { normals, heights } = result;
      return transfer({ normals, heights, took: performance.now() - start }, [
        normals.buffer,
        heights.buffer,
      ]);
    } catch (thrown) {
      if (thrown instanceof Overtaken) return null;
      throw thrown;
    }
  },

  encode(image: Image): Uint8Array {
    const bytes = encodePng(image);
    return transfer(bytes, [bytes.buffer]);
  },

  normalMap(sha256: string, recipe: Recipe, yUp: boolean): Uint8Array {
    const image = imageOf(sha256);
    return normalFile(image, pictureRelief(image, readRecipe(recipe)), yUp);
  },
};

export type ArtWorker = typeof work;
expose(work);
