/**
 * The reference renderer: a Moment to a picture, in doubles and without haste. The GPU renderer is held against it.
 * Cost: output pixels times (sprites that cover them + lights that reach them times edges).
 */
import { srgbDecode, srgbEncode, type LightSpace } from '../raster/colour';
import { emptyImage, type Image } from '../raster/image';
import type { Moment, MomentLayer, PictureSource } from '../moment/moment';
import { BAYER8 } from '../raster/bayer';
import { activePasses, runPasses } from '../finish/all-passes';
import type { FloatPicture } from '../finish/pass';
import { LayerSums } from './layer';
import { LayerLight } from './layer-light';
import { WashOver } from '../weather/wash';
import { shownShare } from './terms/sums';

/** The picture that a Moment shows, opaque, 8-bit. */
export function renderReference(moment: Moment, source: PictureSource): Image {
  const { widthPx: width, heightPx: height } = moment.view;
  const point = new PointRenderer(moment, source);
  const picture: FloatPicture = { width, height, data: new Float64Array(3 * width * height) };
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i += 3) {
      const place = scenePlace(moment, x, y);
      picture.data.set(point.at(place.x, place.y), i);
    }
  }
  const isFinished = finishLinear(moment, picture);
  const image = emptyImage(width, height);
  const values = new Float64Array(3);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      for (let c = 0; c < 3; c++) values[c] = picture.data[3 * i + c];
      point.encode(values, isFinished, x, y, image.data, 4 * i);
    }
  }
  return image;
}

/**
 * Runs the passes after the planes, in linear light.
 * @returns whether there were any: the picture is linear then, whatever the light space
 */
function finishLinear({ unlit, finish: numbers, lightSpace }: Moment, picture: FloatPicture): boolean {
  // Decoding and encoding again would only lose.
  if (unlit || activePasses(numbers).length === 0) return false;
  const { data } = picture;
  for (let i = 0; i < data.length; i++)
    data[i] = Math.max(0, lightSpace === 'linear' ? data[i] : srgbDecode(Math.max(0, data[i])));
  runPasses(picture, numbers);
  return true;
}

/**
 * Brings values of the light space to linear ones as they are displayed, 0 to 1, in place: through the finish, and without the
 * overlay planes. Passes that look at other pixels than their own read those that stand beside each other here.
 */
export function toDisplayedLinear(moment: Moment, picture: FloatPicture): void {
  const isLinear = finishLinear(moment, picture) || moment.lightSpace === 'linear';
  const { data } = picture;
  for (let i = 0; i < data.length; i++) {
    const value = Math.min(1, Math.max(0, data[i]));
    data[i] = isLinear ? value : srgbDecode(value);
  }
}

/**
 * The linear colours of single places as they are displayed.
 * @param places x and y in turn, scene px
 * @returns three values a place
 */
export function coloursAt(moment: Moment, source: PictureSource, places: readonly number[]): Float64Array {
  const renderer = new PointRenderer(moment, source);
  const width = places.length / 2;
  const data = new Float64Array(3 * width);
  for (let i = 0; i < width; i++) data.set(renderer.at(places[2 * i], places[2 * i + 1]), 3 * i);
  toDisplayedLinear(moment, { width, height: 1, data });
  return data;
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
  private readonly picture = new Float64Array(3);
  private readonly overlay = new Float64Array(4);

  constructor(
    private readonly moment: Moment,
    source: PictureSource,
  ) {
    this.pixels = moment.pictures.map((picture) => source(picture.key));
    this.lit = new LayerLight(moment, this.pixels);
  }

  /**
   * Writes an output pixel as it is shown, RGBA, 8-bit. Passes that look at other pixels than their own are not in it: of
   * those `renderReference` knows.
   */
  write(x: number, y: number, out: Uint8Array, at: number): void {
    const { x: px, y: py } = scenePlace(this.moment, x, y);
    const pixel = { width: 1, height: 1, data: this.at(px, py).slice() };
    const isFinished = finishLinear(this.moment, pixel);
    this.encode(pixel.data, isFinished, x, y, out, at);
  }

  /**
   * Encodes the values of an output pixel and lays the overlay planes over them.
   * @param isLinear whether the values are linear, whatever the light space
   */
  encode(values: Float64Array, isLinear: boolean, x: number, y: number, out: Uint8Array, at: number): void {
    const { moment } = this;
    const { x: px, y: py } = scenePlace(moment, x, y);
    const over = this.overlayAt(px, py);
    const offset = moment.pixelArt ? 0 : (BAYER8[(y & 7) * 8 + (x & 7)] + 0.5) / 64 - 0.5;
    const space = isLinear ? 'linear' : moment.lightSpace;
    for (let c = 0; c < 3; c++) {
      const display = over[c] + (1 - over[3]) * displayed(space, values[c]);
      out[at + c] = Math.min(255, Math.max(0, Math.floor(display * 255 + 0.5 + offset)));
    }
    out[at + 3] = 255;
  }

  /** The picture at a scene place in light space; the result is overwritten by the next call. */
  at(px: number, py: number): Float64Array {
    const { moment, picture } = this;
    const { backdrop, ambient, workLamp } = moment;
    for (let c = 0; c < 3; c++) {
      const lit = backdrop.lit && !moment.unlit ? ambient[c] + workLamp[c] : 1;
      picture[c] = backdrop.colour[c] * lit;
    }
    moment.planes.forEach((plane, index) => {
      for (const layer of plane.overlay ? [] : plane.layers) {
        if (this.layer.gather(moment, plane, layer, this.pixels, px, py))
          this.composite(index, layer, px, py);
      }
      this.addAir(index, px, py);
    });
    this.wash.over(moment.washes, moment.lightSpace, picture, px, py);
    return picture;
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
