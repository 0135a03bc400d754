/**
 * The reference renderer: a Moment to a picture, in doubles and without haste. The GPU renderer is held against it.
 * Cost: output pixels times (sprites that cover them + lights that reach them times edges).
 */
import { linearLuminance, srgbDecode, srgbEncode, type LightSpace, type Rgb } from '../raster/colour';
import { emptyImage, type Image } from '../raster/image';
import type { Moment, MomentLayer, PictureSource, View } from '../moment/moment';
import { BAYER8 } from '../raster/bayer';
import { activePasses, runPass, runPasses, withoutNeighbours, type PassName } from '../finish/all-passes';
import { meteredLog2, meteringView } from '../finish/exposure';
import { marginOutputPx, widenedBy, type FinishFrame } from '../finish/frame';
import { gaussian } from '../finish/gaussian';
import type { FloatPicture } from '../finish/pass';
import { pictureMarginPx } from '../finish/picture-margin';
import { LayerSums } from './layer';
import { LayerLight } from './layer-light';
import { WashOver } from '../weather/wash';
import { shownShare } from './terms/sums';

/** The picture that a Moment shows, opaque, 8-bit. */
export function renderReference(moment: Moment, source: PictureSource): Image {
  const { widthPx: width, heightPx: height } = moment.view;
  const frame = frameOf(moment, source);
  const margin = marginOutputPx(moment.view, pictureMarginPx(moment, frame));
  const wide = { ...moment, view: widenedBy(moment.view, margin) };
  const lit = lightPicture(wide, source);
  const isLinear = finishLight(moment, lit, { ...frame, view: wide.view });
  const picture = cropped(lit, margin, width, height);
  print(moment, picture, isLinear, frame);
  const point = new PointRenderer(moment, source);
  const image = emptyImage(width, height);
  const values = new Float64Array(3);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      for (let c = 0; c < 3; c++) values[c] = picture.data[3 * i + c];
      point.encode(values, x, y, image.data, 4 * i);
    }
  }
  return image;
}

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

function isBlurred({ unlit, planes }: Moment): boolean {
  return !unlit && planes.some(({ blurPx }) => blurPx > 0);
}

/** A Moment's picture in light space, before the finish. */
function lightPicture(moment: Moment, source: PictureSource): FloatPicture {
  const { widthPx: width, heightPx: height } = moment.view;
  const point = new PointRenderer(moment, source);
  const picture: FloatPicture = { width, height, data: new Float64Array(3 * width * height) };
  if (isBlurred(moment)) point.fillByPlanes(picture);
  else
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i += 3) {
        const place = scenePlace(moment, x, y);
        picture.data.set(point.at(place.x, place.y), i);
      }
    }
  return picture;
}

const linearOf = (space: LightSpace, value: number) =>
  Math.max(0, space === 'linear' ? value : srgbDecode(Math.max(0, value)));

/**
 * Runs the passes on light.
 * @returns whether the picture is linear now, whatever the light space
 */
function finishLight(
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
function print(
  { unlit, finish }: Moment,
  picture: FloatPicture,
  isLinear: boolean,
  frame: FinishFrame,
): void {
  encode(picture, isLinear);
  if (!unlit) runPasses('print', picture, finish, frame);
}

/** The middle of a picture that has a margin. */
function cropped(picture: FloatPicture, margin: number, width: number, height: number): FloatPicture {
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

/** The scene place of an output pixel's centre. */
export function scenePlace({ view }: Moment, x: number, y: number): { x: number; y: number } {
  return { x: view.x + (x + 0.5) / view.outputPerScenePx, y: view.y + (y + 0.5) / view.outputPerScenePx };
}

/** A value of the light space as it is displayed, 0 to 1. */
export function displayed(lightSpace: LightSpace, value: number): number {
  const display = lightSpace === 'linear' ? srgbEncode(value) : value;
  return Math.min(1, Math.max(0, display));
}

/** Renders single points of one Moment; scratch is kept between them. */
export class PointRenderer {
  private readonly pixels;
  private readonly layer = new LayerSums();
  private readonly wash = new WashOver();
  private readonly lit: LayerLight;
  /** Light, and how much of what is behind is covered. */
  private readonly picture = new Float64Array(4);
  private readonly overlay = new Float64Array(4);

  constructor(
    private readonly moment: Moment,
    source: PictureSource,
  ) {
    this.pixels = moment.pictures.map((picture) => source(picture.key));
    this.lit = new LayerLight(moment, this.pixels);
  }

  /**
   * Lays the overlay planes over the display values of an output pixel, and writes it, RGBA, 8-bit.
   */
  encode(values: Float64Array, x: number, y: number, out: Uint8Array, at: number): void {
    const { moment } = this;
    const { x: px, y: py } = scenePlace(moment, x, y);
    const over = this.overlayAt(px, py);
    const offset = moment.pixelArt ? 0 : (BAYER8[(y & 7) * 8 + (x & 7)] + 0.5) / 64 - 0.5;
    for (let c = 0; c < 3; c++) {
      const display = over[c] + (1 - over[3]) * values[c];
      out[at + c] = Math.min(255, Math.max(0, Math.floor(display * 255 + 0.5 + offset)));
    }
    out[at + 3] = 255;
  }

  /** The picture at a scene place in light space; the result is overwritten by the next call. */
  at(px: number, py: number): Float64Array {
    const { moment, picture } = this;
    picture.set(this.backdrop());
    moment.planes.forEach((_, index) => this.layPlane(index, px, py));
    this.wash.over(moment.washes, moment.lightSpace, picture, px, py);
    return picture.subarray(0, 3);
  }

  /** Fills a picture of the view plane by plane, each blurred before it is laid over those behind it. */
  fillByPlanes({ width, height, data }: FloatPicture): void {
    const { moment, picture } = this;
    const backdrop = this.backdrop();
    for (let i = 0; i < data.length; i += 3) data.set(backdrop, i);
    moment.planes.forEach(({ overlay, blurPx }, index) => {
      if (overlay) return;
      const plane = new Float64Array(4 * width * height);
      for (let y = 0, i = 0; y < height; y++) {
        for (let x = 0; x < width; x++, i += 4) {
          const place = scenePlace(moment, x, y);
          picture.fill(0);
          this.layPlane(index, place.x, place.y);
          plane.set(picture, i);
        }
      }
      const sigma = blurPx * moment.view.outputPerScenePx;
      const laid = sigma > 0 ? gaussian(plane, width, height, sigma) : plane;
      for (let i = 0, o = 0; o < data.length; i += 4, o += 3)
        for (let c = 0; c < 3; c++) data[o + c] = laid[i + c] + (1 - laid[i + 3]) * data[o + c];
    });
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i += 3) {
        const place = scenePlace(moment, x, y);
        this.wash.over(moment.washes, moment.lightSpace, data.subarray(i, i + 3), place.x, place.y);
      }
    }
  }

  private backdrop(): Rgb {
    const { backdrop, ambient, workLamp, unlit } = this.moment;
    const lit = (c: number) => (backdrop.lit && !unlit ? ambient[c] + workLamp[c] : 1);
    return [backdrop.colour[0] * lit(0), backdrop.colour[1] * lit(1), backdrop.colour[2] * lit(2)];
  }

  /** Lays the layers of a plane, and what hangs in its air, over the picture of a place. */
  private layPlane(index: number, px: number, py: number): void {
    const { moment } = this;
    const plane = moment.planes[index];
    for (const layer of plane.overlay ? [] : plane.layers) {
      if (this.layer.gather(moment, plane, layer, this.pixels, px, py)) this.composite(index, layer, px, py);
    }
    this.addAir(index, px, py);
  }

  private composite(index: number, one: MomentLayer, px: number, py: number): void {
    const { moment, picture, layer, lit } = this;
    layer.face();
    lit.fill(index, one, layer.normal, px, py);
    const { light, ambient, rim } = lit;
    const shows = one.seenGain === null || moment.unlit ? 1 : shownShare(one.seenGain, light, ambient);
    const under = 1 - shows * layer.alpha;
    for (let c = 0; c < 3; c++) {
      picture[c] =
        shows * (layer.albedo[c] * light[c] + layer.rim * rim[c]) + layer.glow[c] + under * picture[c];
    }
    picture[3] = shows * layer.alpha + under * picture[3];
  }

  /** The overlay planes at a scene place: display values, premultiplied, and alpha; overwritten by the next call. */
  overlayAt(px: number, py: number): Float64Array {
    const { moment, layer, overlay } = this;
    overlay.fill(0);
    for (const plane of moment.planes) {
      for (const one of plane.overlay ? plane.layers : []) {
        if (!layer.gather(moment, plane, one, this.pixels, px, py)) continue;
        const { albedo, glow, alpha } = layer;
        const under = 1 - alpha;
        for (let c = 0; c < 3; c++)
          overlay[c] =
            alpha * displayed(moment.lightSpace, (albedo[c] + glow[c]) / alpha) + under * overlay[c];
        overlay[3] = alpha + under * overlay[3];
      }
    }
    return overlay;
  }

  private addAir(index: number, px: number, py: number): void {
    const { moment, lit, picture } = this;
    for (const light of moment.lights) {
      if (light.plane !== index || light.air === 0 || light.blend === 'subtract' || light.ambient !== 'no')
        continue;
      if (!lit.give(light, moment.planes[index], px, py, null, null)) continue;
      for (let c = 0; c < 3; c++) picture[c] += lit.given[c] * light.air;
    }
  }
}
