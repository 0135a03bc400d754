/** The parts of an artwork as a coloured overlay. */
import { oklabToLinear, srgbEncode } from '@/core/raster/colour';
import { reliefOrderOf } from '@/core/scene/relief-order';
import type { PartsAnswer } from '@/workers/art-worker';
import type { Studio } from '../store/studio';

/** Colours a golden angle apart: neighbours are never alike. */
const GOLDEN_TURN = 0.381966;
const LIGHTNESS = 0.72;
const CHROMA = 0.13;

function orderFor(studio: Studio, artworkId: string) {
  try {
    return reliefOrderOf(studio.scene, artworkId);
  } catch {
    // Borrowed in a circle: there are no parts, and the artwork's fault says why.
    return null;
  }
}

export const partsPicture = {
  /** Changes when the parts may be others; null where there is no relief. */
  textFor(studio: Studio, artworkId: string): string | null {
    const order = orderFor(studio, artworkId);
    if (!order) return null;
    const { regions } = order.recipe.body;
    return JSON.stringify([order.imageSha, regions, order.recipe.pixelArt, order.cells, order.partStrokes]);
  },

  async make(studio: Studio, artworkId: string): Promise<PartsAnswer | null> {
    const order = orderFor(studio, artworkId);
    return order && studio.workers.live.parts(order);
  },

  paint({ labels, count }: PartsAnswer, width: number, height: number): HTMLCanvasElement {
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width, height });
    const context = canvas.getContext('2d')!;
    const picture = context.createImageData(width, height);
    const colours = Array.from({ length: count + 1 }, (_, label) => colourOf(label));
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i++) {
        const label = labels[i];
        if (label === 0) continue;
        const isBorder = (x > 0 && labels[i - 1] !== label) || (y > 0 && labels[i - width] !== label);
        const shade = isBorder ? 0.45 : 1;
        for (let c = 0; c < 3; c++) picture.data[4 * i + c] = colours[label][c] * shade;
        picture.data[4 * i + 3] = 255;
      }
    }
    context.putImageData(picture, 0, 0);
    return canvas;
  },
};

function colourOf(label: number): number[] {
  const angle = 2 * Math.PI * label * GOLDEN_TURN;
  return oklabToLinear([LIGHTNESS, CHROMA * Math.cos(angle), CHROMA * Math.sin(angle)]).map((v) =>
    Math.round(255 * Math.min(1, srgbEncode(v))),
  );
}
