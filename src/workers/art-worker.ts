/** Decoding, first looks, reliefs and their files on a thread of their own. */
import { recogniseSheet } from '@/core/art/recognise-sheet';
import type { ColourTable } from '@/core/finish/colour-table';
import { readTableFile, type TableFile } from '@/core/finish/table-file';
import { readSvgOutlines, type SvgOutlines } from '@/core/geometry/svg-outlines';
import { expose, transfer } from 'comlink';
import { sheetOf, type AnimatedSheet } from '@/core/art/animated';
import { readApng } from '@/core/art/apng';
import { gridRects, islandRects, type IslandRule } from '@/core/art/cut';
import { readGif } from '@/core/art/gif';
import { filesOf, sourceHash, USUAL_OUTPUT, wantedFor, type OutputOptions } from '@/core/handoff/maps';
import { readLayeredPainting, type LayeredPainting } from '@/core/handoff/open-raster';
import type { Files } from '@/core/handoff/zip';
import { outlinesFrom, type OutlineRule } from '@/core/art/outlines-from';
import { emptyImage, looksLikePixelArt, type Image } from '@/core/raster/image';
import { pictureKind } from '@/core/raster/picture-kind';
import { paletteOf, type PaletteColour } from '@/core/raster/palette';
import {
  decodeGrey16,
  decodePng,
  encodeGrey16,
  encodePng,
  inspectPng,
  type PngFacts,
} from '@/core/raster/png';
import type { Rect } from '@/core/raster/rect';
import { chooseRecipe, type ChosenRecipe } from '@/core/relief/choose-recipe';
import { enlargedPlane, trueTimes } from '@/core/relief/frames';
import { judgeOrientation, type OrientationEvidence } from '@/core/relief/orientation';
import { areAlike, litByReading } from '@/core/relief/readings';
import type { ReliefJob } from '@/core/relief/job';
import type { Cells } from '@/core/relief/recipe';
import { reducedSource, reductionFor } from '@/core/relief/reduced';
import { mapsOf, reliefOf, resultOf, type ReliefMaps, type WantedMaps } from '@/core/relief/relief-of';
import { remarksOn } from '@/core/relief/remarks';
import { changedFacings, changedHeights } from '@/core/relief/returned';
import { silhouetteOf } from '@/core/relief/silhouette';
import type { Stroke } from '@/core/relief/strokes/stroke';
import { Workings } from '@/core/relief/workings';
import { decodedByBrowser } from './browser-picture';
import { deflate } from './deflate';
import type { ReliefAnswer } from './relief-answer';
import { ReliefDesk, type LayerPlace, type MadeRelief, type ReliefPatch } from './relief-desk';
import { ResultStore } from './result-store';
import { upsampled } from './upsampled';
import { fetchFile, WorkerPictures } from './worker-pictures';

/** A request that a newer one of the same lane overtakes. */
export interface Ticket {
  lane: number;
  number: number;
}

export interface FirstLook extends ChosenRecipe {
  widthPx: number;
  heightPx: number;
  pixelArt: boolean;
  /** The grid of the sheet that it seems to be; null is one picture. */
  sheet: Cells | null;
}

/** What speaks for either reading of a normal map, and how its art looks by each. */
export interface BothReadings {
  evidence: OrientationEvidence;
  up: Image;
  down: Image;
  /** Whether nobody could tell them apart: the map leans neither up nor down. */
  areAlike: boolean;
}

/** The parts of a relief as an overlay shows them. */
export interface PartsAnswer {
  labels: Uint16Array;
  count: number;
}

export interface PaletteAnswer {
  colours: PaletteColour[];
  isExact: boolean;
  /** The number of each pixel's colour, 255 outside. */
  indices: Uint8Array;
}

export interface CutRect {
  left: number;
  top: number;
  widthPx: number;
  heightPx: number;
}

export interface OpenedFile {
  bytes: Uint8Array;
  sheet: Omit<AnimatedSheet, 'image'> | null;
}

export interface CutRule extends IslandRule {
  way: 'grid' | 'islands';
  cells: Cells;
  keepEmpty: boolean;
}

const RECALLED_PIXELS = 256 * 256;

const pictures = new WorkerPictures();
const desk = new ReliefDesk();
/** Steps of the reduced relief, beside those of the whole one. */
const quickWorkings = new Workings();

class Overtaken extends Error {}

/** The newest request of each lane, one place a lane; older ones stop at their next part. */
class Lanes {
  private newest: Int32Array | null = null;

  share(numbers: Int32Array): void {
    this.newest = numbers;
  }

  isOvertaken({ lane, number }: Ticket): boolean {
    return this.newest !== null && Atomics.load(this.newest, lane) > number;
  }
}

const lanes = new Lanes();
const results = new ResultStore();

function checkFor(ticket: Ticket | null): () => void {
  return () => {
    if (ticket && lanes.isOvertaken(ticket)) throw new Overtaken();
  };
}

async function unlessOvertaken<T>(work: () => Promise<T>): Promise<T | null> {
  try {
    return await work();
  } catch (thrown) {
    if (thrown instanceof Overtaken) return null;
    throw thrown;
  }
}

function sent(answer: ReliefAnswer): ReliefAnswer {
  const buffers = [answer.normals.buffer, answer.heights.buffer];
  if (answer.glow) buffers.push(answer.glow.buffer);
  return transfer(answer, buffers);
}

/** The relief of a job, from what is at hand. */
async function madeFor(job: ReliefJob): Promise<MadeRelief> {
  return desk.make(job, await pictures.source(job), () => {});
}

const work = {
  /** Shares the numbers by which requests are overtaken; without them every request runs to its end. */
  share(numbers: Int32Array): void {
    lanes.share(numbers);
  },

  async decode(sha256: string): Promise<Image> {
    const image = await pictures.image(sha256);
    const data = image.data.slice();
    return transfer({ ...image, data }, [data.buffer]);
  },

  /** The lookup table of a kept file. @param file what errors call it */
  async table(sha256: string, file: string): Promise<ColourTable> {
    const { table } = readTableFile(await fetchFile(sha256), sha256, file);
    return transfer(table, [table.values.buffer]);
  },

  /** What a file that someone brought is as a lookup table. @param file what errors call it */
  tableFacts(bytes: Uint8Array, file: string): Pick<TableFile, 'format' | 'title'> {
    const { format, title } = readTableFile(bytes, '', file);
    return { format, title };
  },

  /** Checks a file that someone dropped, and chooses a recipe by looking at it. */
  firstLook(bytes: Uint8Array): FirstLook {
    const { image } = decodePng(bytes);
    const { width: widthPx, height: heightPx } = image;
    return {
      ...{ widthPx, heightPx, ...chooseRecipe(image) },
      pixelArt: looksLikePixelArt(image),
      sheet: recogniseSheet(image),
    };
  },

  /**
   * A dropped file as a PNG file, with its frames where it is an animation. PNG files stay as they are, byte for byte,
   * and so does what is none of the known kinds: who reads it next says what is wrong.
   */
  async opened(bytes: Uint8Array, name: string): Promise<OpenedFile> {
    const kind = pictureKind(bytes);
    if (kind === 'gif' || kind === 'apng') {
      const { image, ...sheet } = sheetOf(kind === 'gif' ? readGif(bytes) : readApng(bytes), name);
      return { bytes: encodePng(image), sheet };
    }
    if (kind === 'webp' || kind === 'jpeg')
      return { bytes: encodePng(await decodedByBrowser(bytes, kind)), sheet: null };
    return { bytes, sheet: null };
  },

  inspect(bytes: Uint8Array): PngFacts & { isGrey: boolean } {
    const facts = inspectPng(bytes);
    return { ...facts, isGrey: facts.colourType === 0 || facts.colourType === 4 };
  },

  /** The shapes of an SVG file. */
  svgOutlines(text: string): SvgOutlines {
    return readSvgOutlines(text);
  },

  /** The layers of a layered painting. */
  layers(bytes: Uint8Array): LayeredPainting {
    return readLayeredPainting(bytes);
  },

  /** A part of a picture as a file of its own; what lies beyond the picture is clear. */
  cut(bytes: Uint8Array, { left, top, widthPx, heightPx }: CutRect): Uint8Array {
    const { image } = decodePng(bytes);
    const out = emptyImage(widthPx, heightPx);
    for (let y = 0; y < heightPx; y++) {
      for (let x = 0; x < widthPx; x++) {
        const [sx, sy] = [x + left, y + top];
        if (sx < 0 || sy < 0 || sx >= image.width || sy >= image.height) continue;
        const from = 4 * (sy * image.width + sx);
        out.data.set(image.data.subarray(from, from + 4), 4 * (y * widthPx + x));
      }
    }
    return encodePng(out);
  },

  /** The frames that a rule cuts a picture into. */
  async cutRects(sha256: string, rule: CutRule): Promise<Rect[]> {
    const image = await pictures.image(sha256);
    return rule.way === 'grid' ? gridRects(image, rule.cells, rule.keepEmpty) : islandRects(image, rule);
  },

  /** The outlines that a rule finds in each part of a picture. */
  async outlines(sha256: string, parts: readonly Rect[], rule: OutlineRule): Promise<number[][][]> {
    const image = await pictures.image(sha256);
    return parts.map((part) => outlinesFrom(image, part, rule));
  },

  async chooseRecipe(sha256: string): Promise<ChosenRecipe> {
    return chooseRecipe(await pictures.image(sha256));
  },

  /** A whole relief, from what was made before or made now; null where a newer request of the lane came. */
  relief(job: ReliefJob, ticket: Ticket | null): Promise<ReliefAnswer | null> {
    return unlessOvertaken(async () => {
      const start = performance.now();
      const check = checkFor(ticket);
      const source = await pictures.source(job);
      check();
      // A small relief is made quicker than it is looked up.
      const isLarge = source.image.width * source.image.height > RECALLED_PIXELS;
      const there = isLarge ? await results.recalled(job) : null;
      if (there) return sent({ ...there, took: performance.now() - start });
      const { ground, planes, normals } = desk.make(job, source, check);
      const result = resultOf(ground, planes, normals);
      const { inside } = silhouetteOf(source.image);
      const glows =
        job.glowSha !== null || planes.glow !== null || job.recipe.swatches.some(({ glow }) => glow > 0);
      const glow = glows ? mapsOf(source, ground, planes, { glow: true }).glow : null;
      const answer: ReliefAnswer = {
        normals: normals === result.normals ? result.normals.slice() : result.normals,
        heights: result.heights === planes.heights ? result.heights.slice() : result.heights,
        glow,
        remarks: remarksOn(source, result.normals, inside, result.width, result.height),
        took: performance.now() - start,
      };
      results.remember(job, answer);
      return sent(answer);
    });
  },

  /** A reduced relief, brought to the art's size, while a control moves; null where a newer request came. */
  quickRelief(job: ReliefJob, ticket: Ticket | null): Promise<ReliefAnswer | null> {
    return unlessOvertaken(async () => {
      const start = performance.now();
      const check = checkFor(ticket);
      const source = await pictures.source(job);
      check();
      const { image } = source;
      const { width, height } = image;
      // Pixel art that was drawn enlarged is small at its true size.
      const times = quickWorkings.remember('times', [image.data], () => trueTimes(image));
      const factor = times > 1 ? 1 : reductionFor(width, height);
      const small = reducedSource(source, factor, quickWorkings.remember);
      const result = reliefOf(small, check, quickWorkings.remember);
      const { normals, heights } = small === source ? result : upsampled(result, factor, width, height);
      return sent({ normals, heights, glow: null, remarks: [], took: performance.now() - start });
    });
  },

  /** Masks of a relief, for the bench's views. */
  async maps(job: ReliefJob, wanted: WantedMaps): Promise<ReliefMaps> {
    const { source, ground, planes } = await madeFor(job);
    return mapsOf(source, ground, planes, wanted);
  },

  async parts(job: ReliefJob): Promise<PartsAnswer> {
    const { ground } = await madeFor(job);
    const { image, times } = ground;
    const labels = enlargedPlane(ground.parts(), image.width, image.height, times);
    let count = 0;
    for (const label of labels) if (label > count) count = label;
    return transfer({ labels, count }, [labels.buffer]);
  },

  async palette(sha256: string): Promise<PaletteAnswer> {
    const image = await pictures.image(sha256);
    return paletteOf(image, silhouetteOf(image).inside);
  },

  async judge(mapSha: string, artSha: string): Promise<OrientationEvidence> {
    const [map, art] = [await pictures.image(mapSha), await pictures.image(artSha)];
    return judgeOrientation(map, silhouetteOf(art).inside);
  },

  /** @param mostPx longer side of the two pictures */
  async readings(mapSha: string, artSha: string, mostPx: number): Promise<BothReadings> {
    const [map, art] = [await pictures.image(mapSha), await pictures.image(artSha)];
    const up = litByReading(art, map, true, mostPx);
    const down = litByReading(art, map, false, mostPx);
    const evidence = judgeOrientation(map, silhouetteOf(art).inside);
    return { evidence, up, down, areAlike: areAlike(up, down) };
  },

  /** The files of one artwork's relief. */
  async files(art: string, job: ReliefJob, options: OutputOptions): Promise<Files> {
    const { source, ground, planes } = await madeFor(job);
    const maps = mapsOf(source, ground, planes, wantedFor(options));
    return filesOf(art, source.image, maps, sourceHash(job), options, deflate);
  },

  /** A map that goes out to be painted on. */
  sent(art: string, job: ReliefJob, kind: 'normals' | 'height'): Promise<Files> {
    return work.files(art, job, { ...USUAL_OUTPUT, maps: [kind] });
  },

  /** What changed in a normal map that came back from a paint program, as a picture file to be pasted. */
  async returnedFacings(job: ReliefJob, bytes: Uint8Array, yUp: boolean): Promise<Uint8Array> {
    const { ground, planes, normals } = await madeFor(job);
    const { image } = decodePng(bytes);
    return encodePng(changedFacings(image, resultOf(ground, planes, normals), yUp));
  },

  async returnedHeights(job: ReliefJob, bytes: Uint8Array): Promise<Uint8Array> {
    const { ground, planes, normals } = await madeFor(job);
    const { facts } = decodePng(bytes);
    const changed = changedHeights(decodeGrey16(bytes), resultOf(ground, planes, normals), facts.depth);
    return encodeGrey16(changed.width, changed.height, changed.values);
  },

  async beginStroke(job: ReliefJob, place: LayerPlace, stroke: Stroke): Promise<void> {
    desk.begin(job, await pictures.source(job), place, stroke);
  },

  extendStroke(points: number[]): ReliefPatch | null {
    const patch = desk.extend(points);
    return patch && transfer(patch, [patch.normals.buffer, patch.heights.buffer]);
  },

  /** @param job the relief with the stroke as it is kept; null where it was given up */
  endStroke(job: ReliefJob | null): void {
    desk.end(job);
  },

  encode(image: Image): Uint8Array {
    const bytes = encodePng(image);
    return transfer(bytes, [bytes.buffer]);
  },
};

export type ArtWorker = typeof work;
expose(work);
