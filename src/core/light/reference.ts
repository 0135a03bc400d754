/**
 * The reference renderer: a Moment to a picture, in doubles and without haste. The GPU renderer is held against it.
 * Cost: output pixels times (sprites that cover them + lights that reach them times edges).
 */
import { srgbEncode } from '../raster/colour';
import { emptyImage, type Image } from '../raster/image';
import type { Moment, MomentLayer, MomentLight, PictureSource } from '../moment/moment';
import { BAYER8 } from '../raster/bayer';
import { facing } from './facing';
import { fallAt } from './fall';
import { LayerSums } from './layer';
import { visibility } from './shadow';

/** The picture that a Moment shows, opaque, 8-bit. */
export function renderReference(moment: Moment, source: PictureSource): Image {
  const { widthPx, heightPx } = moment.view;
  const image = emptyImage(widthPx, heightPx);
  const point = new PointRenderer(moment, source);
  for (let y = 0; y < heightPx; y++) {
    for (let x = 0; x < widthPx; x++) {
      const { x: px, y: py } = scenePlace(moment, x, y);
      const values = point.at(px, py);
      const over = point.overlayAt(px, py);
      const offset = moment.pixelArt ? 0 : (BAYER8[(y & 7) * 8 + (x & 7)] + 0.5) / 64 - 0.5;
      const i = 4 * (y * widthPx + x);
      for (let c = 0; c < 3; c++) {
        const display = over[c] + (1 - over[3]) * displayed(moment, values[c]);
        image.data[i + c] = Math.min(255, Math.max(0, Math.floor(display * 255 + 0.5 + offset)));
      }
      image.data[i + 3] = 255;
    }
  }
  return image;
}

/** The scene place of an output pixel's centre. */
export function scenePlace({ view }: Moment, x: number, y: number): { x: number; y: number } {
  return { x: view.x + (x + 0.5) / view.outputPerScenePx, y: view.y + (y + 0.5) / view.outputPerScenePx };
}

/** A value of the light space as it is displayed, 0 to 1. */
function displayed({ lightSpace }: Moment, value: number): number {
  const display = lightSpace === 'linear' ? srgbEncode(value) : value;
  return Math.min(1, Math.max(0, display));
}

/** Renders single points of one Moment; scratch is kept between them. */
export class PointRenderer {
  private readonly pixels;
  private readonly layer = new LayerSums();
  private readonly picture = new Float64Array(3);
  private readonly light = new Float64Array(3);
  private readonly overlay = new Float64Array(4);
  /** fall times visibility of each light at the point; below 0 where it was not asked for yet. */
  private readonly fall: Float64Array;
  private readonly seen: Float64Array;

  constructor(
    private readonly moment: Moment,
    source: PictureSource,
  ) {
    this.pixels = moment.pictures.map((picture) => source(picture.key));
    this.fall = new Float64Array(moment.lights.length);
    this.seen = new Float64Array(moment.lights.length);
  }

  /** The picture at a scene place in light space; the result is overwritten by the next call. */
  at(px: number, py: number): Float64Array {
    const { moment, picture } = this;
    const { backdrop, ambient, workLamp } = moment;
    this.reachLights(px, py);
    for (let c = 0; c < 3; c++) {
      const lit = backdrop.lit && !moment.unlit ? ambient[c] + workLamp[c] : 1;
      picture[c] = backdrop.colour[c] * lit;
    }
    moment.planes.forEach((plane, index) => {
      for (const layer of plane.overlay ? [] : plane.layers) {
        if (!this.layer.gather(moment, plane, layer, this.pixels, px, py)) continue;
        this.layer.face();
        this.lightLayer(index, layer, px, py);
        const under = 1 - this.layer.alpha;
        for (let c = 0; c < 3; c++) {
          picture[c] = this.layer.albedo[c] * this.light[c] + this.layer.glow[c] + under * picture[c];
        }
      }
      this.addAir(index, px, py);
    });
    return picture;
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
          overlay[c] = alpha * displayed(moment, (albedo[c] + glow[c]) / alpha) + under * overlay[c];
        overlay[3] = alpha + under * overlay[3];
      }
    }
    return overlay;
  }

  private reachLights(px: number, py: number): void {
    this.moment.lights.forEach((light, i) => {
      const dx = px - light.x;
      const dy = py - light.y;
      const distance = Math.sqrt(dx * dx + dy * dy);
      this.fall[i] = fallAt(distance, light.corePx, light.reachPx, light.curve, light.steepness);
      this.seen[i] = -1;
    });
  }

  private seenAt(light: MomentLight, i: number, px: number, py: number): number {
    if (this.seen[i] < 0) this.seen[i] = visibility(this.moment, light, px, py);
    return this.seen[i];
  }

  private lightLayer(plane: number, { takesShadows, listens }: MomentLayer, px: number, py: number): void {
    const { moment, light: sum } = this;
    const [nx, ny, nz] = this.layer.normal;
    if (moment.unlit) {
      sum.fill(1);
      return;
    }
    for (let c = 0; c < 3; c++) sum[c] = moment.ambient[c] + moment.workLamp[c];
    moment.lights.forEach((light, i) => {
      if (this.fall[i] === 0 || plane < light.spanFar || plane > light.spanNear) return;
      if ((light.feeds & listens) === 0) return;
      const seen = takesShadows ? this.seenAt(light, i, px, py) : 1;
      if (seen === 0) return;
      const share =
        this.fall[i] * seen * facing(nx, ny, nz, light.x - px, light.y - py, light.heightPx, light.relief);
      for (let c = 0; c < 3; c++) sum[c] += light.rgb[c] * share;
    });
  }

  private addAir(plane: number, px: number, py: number): void {
    this.moment.lights.forEach((light, i) => {
      if (light.plane !== plane || light.air === 0 || this.fall[i] === 0) return;
      const share = this.fall[i] * light.air * this.seenAt(light, i, px, py);
      for (let c = 0; c < 3; c++) this.picture[c] += light.rgb[c] * share;
    });
  }
}
