/** Makes the ground of a relief: each frame by itself from art and recipe, or from what was borrowed or imported. */
import { InputFault } from '../faults';
import { checkImage, looksLikePixelArt, type Image } from '../raster/image';
import { cropped, croppedPlane, putPlane } from '../raster/crop';
import type { Rect } from '../raster/rect';
import { paletteOf } from '../raster/palette';
import { NO_WRAP, type Wrap } from '../raster/wrap';
import { atTrueSize, framesOf, trueTimes } from './frames';
import { frameHeights, type PartDone } from './frame-heights';
import { paintGroundOf, type ReliefGround } from './ground';
import { checkSameSize, heightsOfPicture, importedGround, lentPlanes } from './imported';
import { partsOf } from './parts';
import type { Recipe } from './recipe';
import { silhouetteOf } from './silhouette';
import type { ReliefSource } from './source';
import { copiedPlanes, paintLayer, type Planes } from './strokes/painted';
import { placed, type PlacedStroke } from './strokes/stroke';
import { swatchesOf } from './swatches';
import { toneOf } from './tone';
import { rememberNothing, apart, type Remember } from './workings';

/** Steps of larger pictures are too much to be kept. */
const MOST_REMEMBERED_PIXELS = 2048 * 2048;

/** @throws InputFault naming what does not fit the art */
export function groundOf(
  source: ReliefSource,
  partDone: PartDone = () => {},
  keeper: Remember = rememberNothing,
): ReliefGround {
  checkImage(source.image);
  const remember =
    source.image.width * source.image.height > MOST_REMEMBERED_PIXELS ? rememberNothing : keeper;
  const { recipe } = source;
  const art = source.image;
  const pixelArt = recipe.pixelArt === 'auto' ? looksLikePixelArt(art) : recipe.pixelArt === 'yes';
  const whole = framesOfSource(source);
  const times = pixelArt ? commonTimes(trueTimes(art), whole) : 1;
  const image = times === 1 ? art : remember('true size', [art.data, times], () => atTrueSize(art, times));
  const frames = whole.map((frame) => scaledRect(frame, times));
  const silhouette = remember('silhouette', [image.data], () => silhouetteOf(image));
  const palette = once(() => remember('palette', [silhouette], () => paletteOf(image, silhouette.inside)));
  const wrap = wrapOf(recipe);
  const partStrokes = source.partStrokes.map(({ kind, points }) => ({
    kind,
    points: points.map((v) => v / (times * source.artPx)),
  }));
  const makeParts = () =>
    overFrames(image, frames, (part, frame, before) => {
      const own = silhouetteOf(part);
      const tone = toneOf(part, own.inside, pixelArt);
      const labels = partsOf(part, own, tone, recipe.body.regions, shifted(partStrokes, frame));
      return labels.map((label) => (label === 0 ? 0 : label + before));
    });
  const ground: ReliefGround = {
    image,
    silhouette,
    recipe,
    pixelArt,
    times,
    frames,
    wrap,
    planes: { heights: new Float32Array(0), facing: null, rim: null, glow: null },
    given: null,
    parts: once(makeParts),
    palette,
  };
  const inherited = inheritedGround(source, ground, partDone, remember);
  const { swatches } = recipe;
  const used = swatches.length === 0 ? null : palette();
  const bySwatch = used ? swatchesOf(used, swatches) : [];
  const heights = new Float32Array(image.width * image.height);
  for (const frame of frames) {
    const part = cropped(image, frame);
    const indices = used && (part === image ? used.indices : croppedPlane(used.indices, image.width, frame));
    const own = frameHeights(
      {
        image: part,
        recipe,
        pixelArt,
        wrap,
        palette: used && { ...used, indices: indices! },
        swatches: bySwatch,
        partStrokes: shifted(partStrokes, frame),
        hasBody: inherited === null,
        remember,
      },
      partDone,
    );
    putPlane(heights, image.width, frame, own);
  }
  ground.planes = inherited ? inherited.planes : { heights, facing: null, rim: null, glow: null };
  if (inherited) {
    addPlane(ground.planes.heights, heights);
    ground.given = inherited.given;
  }
  if (source.normals?.use === 'height') {
    const { heights: given } = importedGround(source.normals, source.image, ground);
    addPlane(ground.planes.heights, given, source.normals.share);
  }
  return ground;
}

/** @throws InputFault where a frame reaches beyond the picture */
function framesOfSource({ image: { width, height }, frames, cells, recipe }: ReliefSource): readonly Rect[] {
  if (frames.length === 0) return framesOf(width, height, cells ?? recipe.cells);
  for (const { left, top, right, bottom } of frames) {
    if (left >= 0 && top >= 0 && left < right && top < bottom && right <= width && bottom <= height) continue;
    throw new InputFault(
      `A frame from ${left}, ${top} to ${right}, ${bottom} px does not fit into ${width} x ${height} px.`,
      'frames',
    );
  }
  return frames;
}

interface Inherited {
  planes: Planes;
  given: ReliefGround['given'];
}

/** The relief that is taken in the place of an own body: another artwork's, or what was imported. */
function inheritedGround(
  source: ReliefSource,
  ground: ReliefGround,
  partDone: PartDone,
  remember: Remember,
): Inherited | null {
  if (source.borrowed) {
    checkSameSize('The artwork that lends its relief', source.borrowed.image, source.image);
    // The lender is brought to the borrower's pixels, whatever its own true size.
    const lender = groundOf(source.borrowed, partDone, apart(remember, 'lender'));
    const planes = paintedPlanes(source.borrowed, lender);
    return lentPlanes(planes, lender, ground);
  }
  if (source.heights) {
    const heights = heightsOfPicture(source.heights, source.image, ground);
    return { planes: { heights, facing: null, rim: null, glow: null }, given: null };
  }
  if (source.normals?.use === 'facings') {
    const given = importedGround(source.normals, source.image, ground);
    return { planes: { heights: given.heights.slice(), facing: null, rim: null, glow: null }, given };
  }
  return null;
}

/** The visible strokes, in the ground's own px. */
export function placedLayers({ layers, artPx }: ReliefSource, { times }: ReliefGround): PlacedStroke[][] {
  return layers.map((layer) =>
    layer.map(({ stroke, pasted }) => placed(stroke, pasted, 0, 0, times * artPx)),
  );
}

export function paintedPlanes(source: ReliefSource, ground: ReliefGround): Planes {
  const layers = placedLayers(source, ground);
  if (layers.length === 0) return ground.planes;
  const planes = copiedPlanes(ground.planes);
  for (const layer of layers) paintLayer(paintGroundOf(ground), planes, layer);
  return planes;
}

export function wrapOf({ seamless }: Recipe): Wrap {
  if (seamless === 'none') return NO_WRAP;
  return { x: seamless !== 'y', y: seamless !== 'x' };
}

/** The factor by which picture and frames alike can be made smaller. */
function commonTimes(times: number, frames: readonly Rect[]): number {
  const fits = (n: number) =>
    frames.every((f) => [f.left, f.top, f.right, f.bottom].every((side) => side % n === 0));
  for (let n = times; n > 1; n--) if (times % n === 0 && fits(n)) return n;
  return 1;
}

function scaledRect({ left, top, right, bottom }: Rect, times: number): Rect {
  return { left: left / times, top: top / times, right: right / times, bottom: bottom / times };
}

function shifted(
  strokes: readonly { kind: 'join' | 'split'; points: number[] }[],
  { left, top }: Rect,
): { kind: 'join' | 'split'; points: number[] }[] {
  return strokes.map(({ kind, points }) => ({
    kind,
    points: points.map((v, k) => v - (k % 2 === 0 ? left : top)),
  }));
}

function addPlane(plane: Float32Array, by: Float32Array, share = 1): void {
  for (let i = 0; i < plane.length; i++) plane[i] += share * by[i];
}

/** Labels of each frame by itself, counted on from those before. */
function overFrames(
  image: Image,
  frames: readonly Rect[],
  make: (part: Image, frame: Rect, before: number) => Uint16Array,
): Uint16Array {
  const out = new Uint16Array(image.width * image.height);
  let before = 0;
  for (const frame of frames) {
    const labels = make(cropped(image, frame), frame, before);
    for (const label of labels) if (label > before) before = label;
    putPlane(out, image.width, frame, labels);
  }
  return out;
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
