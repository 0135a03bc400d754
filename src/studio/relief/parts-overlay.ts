/** The parts of an artwork as a coloured overlay. */
import { wordsOf } from '@/core/faults';
import { oklabToLinear, srgbEncode } from '@/core/raster/colour';
import type { ReliefJob } from '@/core/relief/job';
import type { Artwork } from '@/core/scene/records/artwork';
import type { PartsAnswer } from '@/workers/art-worker';
import type { Studio } from '../store/studio';
import { jobShown } from './relief-pictures';

/** Colours a golden angle apart: neighbours are never alike. */
const GOLDEN_TURN = 0.381966;
const LIGHTNESS = 0.72;
const CHROMA = 0.13;

/** The parts of the artwork that is shown, made anew when what they follow from is another. */
export class PartsOverlay {
  private shown: { artworkId: string; key: string; picture: HTMLCanvasElement } | null = null;
  private asked: string | null = null;

  constructor(
    private readonly studio: Studio,
    /** Called when a picture that was asked for has come. */
    private readonly arrived: () => void,
  ) {}

  /** The picture of these parts; the last one of the same artwork stands until it comes. */
  picture(artworkId: string, { widthPx, heightPx }: Artwork): HTMLCanvasElement | null {
    const job = jobShown(this.studio, artworkId);
    if (!job) return null;
    const { regions } = job.recipe.body;
    const { imageSha, cells, partStrokes } = job;
    const key = JSON.stringify([artworkId, imageSha, regions, job.recipe.pixelArt, cells, partStrokes]);
    if (this.shown?.key !== key) this.ask(artworkId, key, job, widthPx, heightPx);
    return this.shown?.artworkId === artworkId ? this.shown.picture : null;
  }

  private ask(artworkId: string, key: string, job: ReliefJob, width: number, height: number): void {
    if (this.asked === key) return;
    this.asked = key;
    this.studio.workers.live
      .parts(job)
      .then((answer) => {
        if (this.asked === key) this.shown = { artworkId, key, picture: paint(answer, width, height) };
        this.arrived();
      })
      .catch((thrown: unknown) => this.studio.say(wordsOf(thrown)));
  }
}

function paint({ labels, count }: PartsAnswer, width: number, height: number): HTMLCanvasElement {
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
}

function colourOf(label: number): number[] {
  const angle = 2 * Math.PI * label * GOLDEN_TURN;
  return oklabToLinear([LIGHTNESS, CHROMA * Math.cos(angle), CHROMA * Math.sin(angle)]).map((v) =>
    Math.round(255 * Math.min(1, srgbEncode(v))),
  );
}
