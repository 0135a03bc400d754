/**
 * From light to what is displayed, in doubles: whole pictures, single places, and one pixel step by step. Passes that look at
 * neighbours find them in a margin around what is asked for, so that a pixel is finished as the whole picture has it.
 */
import { linearLuminance, srgbDecode, type LightSpace, type Rgb } from '../raster/colour';
import type { Moment, PictureSource, View } from '../moment/moment';
import {
  activePasses,
  looksAtNeighbours,
  runPass,
  runPasses,
  withoutNeighbours,
  type PassName,
} from '../finish/all-passes';
import { meteredLog2, meteringView } from '../finish/exposure';
import { marginOutputPx, widenedBy, type FinishFrame } from '../finish/frame';
import type { FloatPicture } from '../finish/pass';
import { pictureMarginPx } from '../finish/picture-margin';
import { isBlurred, lightPicture } from './light-picture';
import { displayed, PointRenderer } from './point-renderer';

/** What passes know of a Moment's picture; the gate is metered where automatic exposure asks for it. */
export function frameOf(moment: Moment, source: PictureSource): FinishFrame {
  const { view, gate, pixelArt, finish, unlit } = moment;
  const isMetered = !unlit && finish.exposure.autoShare > 0;
  return { view, gate, pixelArt, gateLog2: isMetered ? meteredGate(moment, source) : null };
}

/** Mean over the gate, as it is seen from afar, of the logarithm (base 2) of luminance before the finish. */
function meteredGate(moment: Moment, source: PictureSource): number {
  return meanLog2(lightPicture({ ...moment, view: meteringView(moment.gate) }, source), moment.lightSpace);
}

function meanLog2({ data }: FloatPicture, lightSpace: LightSpace): number {
  let sum = 0;
  for (let i = 0; i < data.length; i += 3) {
    const [r, g, b] = [0, 1, 2].map((c) => linearOf(lightSpace, data[i + c]));
    sum += meteredLog2(linearLuminance([r, g, b]));
  }
  return (3 * sum) / data.length;
}

const linearOf = (space: LightSpace, value: number) =>
  Math.max(0, space === 'linear' ? value : srgbDecode(Math.max(0, value)));

/**
 * Runs the passes on light.
 * @returns whether the picture is linear now, whatever the light space
 */
export function finishLight(
  { unlit, finish, lightSpace }: Moment,
  picture: FloatPicture,
  frame: FinishFrame,
): boolean {
  const isLinear = lightSpace === 'linear';
  // Decoding and encoding again would only lose.
  if (unlit || activePasses(finish, 'light').length === 0) return isLinear;
  const { data } = picture;
  for (let i = 0; i < data.length; i++) data[i] = linearOf(lightSpace, data[i]);
  runPasses('light', picture, finish, frame);
  return true;
}

/** From light to display values, 0 to 1. */
function encode({ data }: FloatPicture, isLinear: boolean): void {
  for (let i = 0; i < data.length; i++) data[i] = displayed(isLinear ? 'linear' : 'display', data[i]);
}

/** Encodes a picture, and runs the passes on encoded values, in place. */
export function print(
  { unlit, finish }: Moment,
  picture: FloatPicture,
  isLinear: boolean,
  frame: FinishFrame,
): void {
  encode(picture, isLinear);
  if (!unlit) runPasses('print', picture, finish, frame);
}

/** The middle of a picture that has a margin. */
export function cropped(picture: FloatPicture, margin: number, width: number, height: number): FloatPicture {
  if (margin === 0) return picture;
  const data = new Float64Array(3 * width * height);
  for (let y = 0; y < height; y++) {
    const from = 3 * ((y + margin) * picture.width + margin);
    data.set(picture.data.subarray(from, from + 3 * width), 3 * y * width);
  }
  return { width, height, data };
}

/**
 * Brings a picture of a Moment's view from light space to linear values as they are displayed, 0 to 1, in place: through the
 * finish, without the overlay planes, and as if nothing shone beyond the view. The view stands for the gate where automatic
 * exposure meters it.
 */
export function toDisplayedLinear(moment: Moment, picture: FloatPicture): void {
  const { view, gate, pixelArt, lightSpace } = moment;
  const frame = { view, gate, pixelArt, gateLog2: moment.unlit ? null : meanLog2(picture, lightSpace) };
  shown(moment, picture, finishLight(moment, picture, frame), frame);
}

/** From light to linear values as they are displayed, in place. Encoding and decoding again is saved where nothing lies between. */
function shown(moment: Moment, picture: FloatPicture, isLinear: boolean, frame: FinishFrame): void {
  const { data } = picture;
  const isPrinted = !moment.unlit && activePasses(moment.finish, 'print').length > 0;
  if (isPrinted) print(moment, picture, isLinear, frame);
  for (let i = 0; i < data.length; i++) {
    const value = Math.min(1, Math.max(0, data[i]));
    data[i] = isLinear && !isPrinted ? value : srgbDecode(value);
  }
}

/** Whether a pixel depends on others: what it becomes then takes many times as long to work out as what it is lit by. */
export function dependsOnOthers(moment: Moment): boolean {
  if (moment.unlit) return false;
  const { finish } = moment;
  return isBlurred(moment) || finish.exposure.autoShare > 0 || looksAtNeighbours(finish);
}

/** What is done to the picture of one pixel after its planes, step by step. */
export interface FinishStep {
  pass: PassName;
  /** Linear light before a pass on light; encoded values before one on the print. */
  from: Rgb;
  to: Rgb;
}

/**
 * The steps from the light of a pixel to its display values, each as the whole picture has it there.
 * @param x,y the pixel of the view, counted from its upper left corner
 */
export function finishStepsAt(moment: Moment, source: PictureSource, x: number, y: number): FinishedPixel {
  const frame = frameOf(moment, source);
  const { view } = moment;
  const perPx = view.outputPerScenePx;
  const pixel = { ...view, x: view.x + x / perPx, y: view.y + y / perPx, widthPx: 1, heightPx: 1 };
  const margin = marginOutputPx(pixel, pictureMarginPx(moment, { ...frame, view: pixel }));
  const own = { ...moment, view: widenedBy(pixel, margin) };
  const picture = lightPicture(own, source);
  const wide = { ...frame, view: own.view };
  const at = 3 * (margin * picture.width + margin);
  const now = (): Rgb => [picture.data[at], picture.data[at + 1], picture.data[at + 2]];
  const blurred = isBlurred(moment)
    ? lightPicture({ ...own, washes: [] }, source).data.slice(at, at + 3)
    : null;
  const steps: FinishStep[] = [];
  const run = (pass: PassName) => {
    const from = now();
    runPass(pass, picture, moment.finish, wide);
    steps.push({ pass, from, to: now() });
  };
  const { lightSpace, finish, unlit } = moment;
  const [onLight, onPrint] = unlit
    ? [[], []]
    : [activePasses(finish, 'light'), activePasses(finish, 'print')];
  if (onLight.length > 0) {
    const { data } = picture;
    for (let i = 0; i < data.length; i++) data[i] = linearOf(lightSpace, data[i]);
  }
  onLight.forEach(run);
  encode(picture, onLight.length > 0 || lightSpace === 'linear');
  onPrint.forEach(run);
  return { blurred: blurred && [blurred[0], blurred[1], blurred[2]], steps, shown: Float64Array.from(now()) };
}

export interface FinishedPixel {
  /** Light before washes, where planes are blurred. */
  blurred: Rgb | null;
  steps: FinishStep[];
  /** Display values, without the overlay planes. */
  shown: Float64Array;
}

/**
 * The linear colours of single places as they are displayed: through the finish, and without the overlay planes. What reaches
 * them from beside (blur, fringe, bloom) is not in it: of that `renderReference` knows.
 * @param places x and y in turn, scene px
 * @returns three values a place
 */
export function coloursAt(moment: Moment, source: PictureSource, places: readonly number[]): Float64Array {
  const renderer = new PointRenderer(moment, source);
  const frame = frameOf(moment, source);
  const alone = { ...moment, finish: withoutNeighbours(moment.finish) };
  const data = new Float64Array((3 * places.length) / 2);
  for (let i = 0; i < places.length; i += 2) {
    const [x, y] = [places[i], places[i + 1]];
    const pixel = { width: 1, height: 1, data: data.subarray((3 * i) / 2, (3 * i) / 2 + 3) };
    pixel.data.set(renderer.at(x, y));
    const own = { ...frame, view: viewOf(x, y) };
    shown(alone, pixel, finishLight(alone, pixel, own), own);
  }
  return data;
}

/** The display values of a place of which the light is known, through the passes that look at no other place. */
export function finishedAt(
  moment: Moment,
  frame: FinishFrame,
  light: Float64Array,
  x: number,
  y: number,
): Float64Array {
  const alone = { ...moment, finish: withoutNeighbours(moment.finish) };
  const pixel = { width: 1, height: 1, data: light };
  const own = { ...frame, view: viewOf(x, y) };
  print(alone, pixel, finishLight(alone, pixel, own), own);
  return pixel.data;
}

/** A view of one pixel with its centre at a place. */
export function viewOf(x: number, y: number): View {
  return { x: x - 0.5, y: y - 0.5, widthPx: 1, heightPx: 1, outputPerScenePx: 1 };
}
