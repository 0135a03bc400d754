/**
 * Single points of one Moment in light space, before the finish: what the reference renderer, the meter and the checks read.
 * Cost: sprites that cover a point + lights that reach it times edges.
 */
import { srgbEncode, type LightSpace, type Rgb } from '../raster/colour';
import type { Box } from '../geometry/affine';
import type { Moment, MomentLayer, MomentLight, PictureSource } from '../moment/moment';
import { BAYER8 } from '../raster/bayer';
import { LayerSums } from './layer';
import { LayerLight } from './layer-light';
import { Narrowing } from './narrowing';
import { WashOver } from '../weather/wash';
import { onePlace, type Places } from './places';
import { Surfaces } from './surfaces';
import { shownShareAt } from './terms/sums';

/** The scene place of an output pixel's centre. */
export function scenePlace({ view }: Moment, x: number, y: number): { x: number; y: number } {
  return { x: view.x + (x + 0.5) / view.outputPerScenePx, y: view.y + (y + 0.5) / view.outputPerScenePx };
}

/** A value of the light space as it is displayed, 0 to 1. */
export function displayed(lightSpace: LightSpace, value: number): number {
  const display = lightSpace === 'linear' ? srgbEncode(value) : value;
  return Math.min(1, Math.max(0, display));
}

const NOTHING: Rgb = [0, 0, 0];

/** From this alpha on what lies behind is not looked at: it counts for less than a billionth. */
const OPAQUE = 1 - 1e-9;

/** What is laid over the picture, far to near: a layer, or what hangs in the air before a plane. */
interface Step {
  plane: number;
  /** Null is the air. */
  layer: MomentLayer | null;
  /** It hides what is behind wherever it is opaque. */
  alwaysShows: boolean;
  /** What the layer shows at the places that are looked at. */
  surfaces: Surfaces;
  /** Not 0 at places where nearer layers hide it; null is nowhere. */
  hidden: Uint8Array | null;
}

/** Renders places of one Moment; scratch is kept between them. */
export class PointRenderer {
  private readonly pixels;
  private readonly narrowing: Narrowing;
  private readonly wash = new WashOver();
  private readonly sums = new LayerSums();
  private readonly surfaces: Surfaces[] = [];
  private readonly place = onePlace();
  /** Light, and how much of what is behind is covered: four values a place. */
  private picture = new Float64Array(4);
  private hidden = new Uint8Array(1);
  private readonly overlay = new Float64Array(4);
  /** What is behind all planes. */
  readonly backdrop: Rgb;
  private readonly hasOverlay: boolean;
  /** The Moment, or what matters of it where places are. */
  private here: Moment;
  private readonly lit: LayerLight;
  private steps: readonly Omit<Step, 'surfaces'>[];

  constructor(
    private readonly moment: Moment,
    source: PictureSource,
  ) {
    this.pixels = moment.pictures.map((picture) => source(picture.key));
    this.narrowing = new Narrowing(moment);
    this.hasOverlay = moment.planes.some((plane) => plane.overlay);
    const { backdrop, ambient, workLamp, unlit } = moment;
    const lit = (c: 0 | 1 | 2) => (backdrop.lit && !unlit ? ambient[c] + workLamp[c] : 1);
    const colour = (c: 0 | 1 | 2) => backdrop.colour[c] * lit(c);
    this.backdrop = [colour(0), colour(1), colour(2)];
    this.here = moment;
    this.lit = new LayerLight(moment, this.pixels);
    this.steps = stepsOf(moment);
  }

  /** From now on places of a box alone are asked for, scene px: quicker, and the same. Null is anywhere again. */
  within(box: Box | null): void {
    this.here = box ? this.narrowing.within(box) : this.moment;
    this.lit.use(this.here);
    this.steps = stepsOf(this.here);
  }

  /**
   * Lays the overlay planes over the display values of an output pixel, and writes it, RGBA, 8-bit.
   * @param from the first of its values
   */
  encode(values: Float64Array, from: number, x: number, y: number, out: Uint8Array, at: number): void {
    const { moment } = this;
    const offset = moment.pixelArt ? 0 : (BAYER8[(y & 7) * 8 + (x & 7)] + 0.5) / 64 - 0.5;
    const over = this.hasOverlay ? this.overlayAtPixel(x, y) : null;
    for (let c = 0; c < 3; c++) {
      const value = values[from + c];
      const display = over ? over[c] + (1 - over[3]) * value : value;
      out[at + c] = Math.min(255, Math.max(0, Math.floor(display * 255 + 0.5 + offset)));
    }
    out[at + 3] = 255;
  }

  private overlayAtPixel(x: number, y: number): Float64Array {
    const place = scenePlace(this.moment, x, y);
    return this.overlayAt(place.x, place.y);
  }

  /** The picture at a scene place in light space; the result is overwritten by the next call. */
  at(px: number, py: number): Float64Array {
    this.place.x[0] = px;
    this.place.y[0] = py;
    return this.all(this.place).subarray(0, 3);
  }

  /** The picture at places in light space, the first three of four values each; overwritten by the next call. */
  all(places: Places): Float64Array {
    const { moment } = this;
    this.clear(this.backdrop, places.count);
    this.lay(this.steps, places);
    const { picture } = this;
    if (moment.washes.length > 0)
      for (let i = 0; i < places.count; i++)
        this.wash.over(
          moment.washes,
          moment.lightSpace,
          picture.subarray(4 * i, 4 * i + 3),
          places.x[i],
          places.y[i],
        );
    return picture;
  }

  /** One plane at places, without what is behind it: premultiplied light, and alpha; overwritten by the next call. */
  planeAt(index: number, places: Places): Float64Array {
    this.clear(NOTHING, places.count);
    this.lay(
      this.steps.filter(({ plane }) => plane === index),
      places,
    );
    return this.picture;
  }

  private clear(colour: Readonly<Rgb>, count: number): void {
    if (this.picture.length < 4 * count) {
      this.picture = new Float64Array(4 * count);
      this.hidden = new Uint8Array(count);
      this.surfaces.length = 0;
    }
    const { picture } = this;
    const [red, green, blue] = colour;
    for (let i = 0; i < 4 * count; i += 4) {
      picture[i] = red;
      picture[i + 1] = green;
      picture[i + 2] = blue;
      picture[i + 3] = 0;
    }
  }

  /** Lays layers and air over the picture, at each place from the nearest one that hides what is behind it. */
  private lay(given: readonly Omit<Step, 'surfaces'>[], places: Places): void {
    const { hidden } = this;
    const steps = given.map((step, k): Step => ({ ...step, surfaces: this.surfacesAt(k) }));
    hidden.fill(0, 0, places.count);
    let open = places.count;
    let first = steps.length;
    while (first > 0 && open > 0) {
      const step = steps[--first];
      if (step.layer) open -= this.gather(step, step.layer, places);
      else step.hidden = open < places.count ? hidden.slice(0, places.count) : null;
    }
    for (let k = first; k < steps.length; k++) {
      const step = steps[k];
      if (step.layer) this.composite(step.plane, step.layer, step.surfaces);
      else this.addAir(step, places);
    }
  }

  private surfacesAt(k: number): Surfaces {
    return (this.surfaces[k] ??= new Surfaces(this.hidden.length));
  }

  /** Gathers a layer where nothing hides it. @returns how many places it hides */
  private gather({ plane, alwaysShows, surfaces }: Step, layer: MomentLayer, places: Places): number {
    const { here, pixels, sums, hidden } = this;
    const on = here.planes[plane];
    sums.gatherAll(here, on, layer, pixels, places);
    surfaces.take(sums, places, hidden);
    let hides = 0;
    for (let i = 0; alwaysShows && i < surfaces.count; i++) {
      if (surfaces.alpha[i] < OPAQUE) continue;
      hidden[surfaces.at[i]] = 1;
      hides++;
    }
    return hides;
  }

  private composite(index: number, layer: MomentLayer, surfaces: Surfaces): void {
    const { here, picture, lit } = this;
    const { count, at, normal, albedo, glow, rim: rimOf, alpha } = surfaces;
    if (count === 0) return;
    lit.fillAll(index, layer, normal, surfaces);
    const { light, ambient, rim } = lit;
    const gain = here.unlit ? null : layer.seenGain;
    for (let i = 0; i < count; i++) {
      const shows = gain === null ? 1 : shownShareAt(gain, light, ambient, 3 * i);
      const under = 1 - shows * alpha[i];
      const to = 4 * at[i];
      for (let c = 0; c < 3; c++)
        picture[to + c] =
          shows * (albedo[3 * i + c] * light[3 * i + c] + rimOf[i] * rim[3 * i + c]) +
          glow[3 * i + c] +
          under * picture[to + c];
      picture[to + 3] = shows * alpha[i] + under * picture[to + 3];
    }
  }

  private addAir({ plane, hidden }: Step, places: Places): void {
    const { here, lit, picture } = this;
    for (const light of here.lights) {
      if (!hangsBefore(light, plane)) continue;
      lit.giveAll(light, plane, null, null, places);
      const { given, gives } = lit;
      for (let i = 0; i < places.count; i++) {
        if (gives[i] === 0 || (hidden && hidden[i] !== 0)) continue;
        for (let c = 0; c < 3; c++) picture[4 * i + c] += given[3 * i + c] * light.air;
      }
    }
  }

  /** The overlay planes at a scene place: display values, premultiplied, and alpha; overwritten by the next call. */
  overlayAt(px: number, py: number): Float64Array {
    const { moment, sums: layer, overlay } = this;
    overlay.fill(0);
    if (!this.hasOverlay) return overlay;
    for (const plane of moment.planes) {
      for (const one of plane.overlay ? plane.layers : []) {
        if (!layer.gather(moment, plane, one, this.pixels, px, py)) continue;
        const { albedo, glow } = layer;
        const [alpha] = layer.alpha;
        const under = 1 - alpha;
        for (let c = 0; c < 3; c++)
          overlay[c] =
            alpha * displayed(moment.lightSpace, (albedo[c] + glow[c]) / alpha) + under * overlay[c];
        overlay[3] = alpha + under * overlay[3];
      }
    }
    return overlay;
  }
}

/** Whether a light hangs in the air before a plane. */
export function hangsBefore({ plane, air, blend, ambient }: MomentLight, index: number): boolean {
  return plane === index && air !== 0 && blend !== 'subtract' && ambient === 'no';
}

function stepsOf({ planes, lights, unlit }: Moment): Omit<Step, 'surfaces'>[] {
  return planes.flatMap((plane, index) => {
    const layers = plane.overlay ? [] : plane.layers.filter(({ sprites }) => sprites.length > 0);
    const steps: Omit<Step, 'surfaces'>[] = layers.map((layer) => ({
      ...{ plane: index, layer, hidden: null },
      alwaysShows: layer.seenGain === null || unlit,
    }));
    const air = { plane: index, layer: null, hidden: null, alwaysShows: false };
    return lights.some((light) => hangsBefore(light, index)) ? [...steps, air] : steps;
  });
}
