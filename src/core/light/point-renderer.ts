/**
 * Single points of one Moment in light space, before the finish: what the reference renderer, the meter and the checks read.
 * Cost: sprites that cover a point + lights that reach it times edges.
 */
import { srgbEncode, type LightSpace, type Rgb } from '../raster/colour';
import type { Moment, MomentLayer, PictureSource } from '../moment/moment';
import { BAYER8 } from '../raster/bayer';
import { gaussian } from '../finish/gaussian';
import type { FloatPicture } from '../finish/pass';
import { LayerSums } from './layer';
import { LayerLight } from './layer-light';
import { WashOver } from '../weather/wash';
import { shownShare } from './terms/sums';

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
