/**
 * Many Moments of one view, one after the other, in linear light and without what an 8-bit picture adds: for what looks at a
 * scene over a minute or a day. It gives what the reference renderer gives, but remembers from Moment to Moment what each
 * place shows and what share of each light comes to it; while a light only changes in brightness nothing is worked out anew.
 */
import type {
  Moment,
  MomentLayer,
  MomentLight,
  MomentPlane,
  PicturePixels,
  PictureSource,
} from '../moment/moment';
import { srgbDecode, type Rgb } from '../raster/colour';
import { sameItems } from '../same-items';
import { WashOver } from '../weather/wash';
import { LayerSums } from './layer';
import { LayerLight, lightsLayer } from './layer-light';
import type { Places } from './places';
import { Surfaces } from './surfaces';
import { displayed, hangsBefore, scenePlace } from './point-renderer';
import { toDisplayedLinear } from './finished';
import { hasSameShape } from './same-shape';
import { clearSums, lightOf, newSums, shownShareAt, sumUp, type LightSums } from './terms/sums';

/** What a layer shows, and what that depends on. */
interface Known {
  of: MomentLayer;
  /** What drifts over it, and where. */
  drift: readonly unknown[];
  tint: Readonly<Rgb>;
  surfaces: Surfaces;
}

/** What one light gives to a layer's surfaces, or to the air before a plane, per unit of its colour. */
interface Shares {
  light: MomentLight;
  ofMoment: Moment;
  surfaces: Surfaces | null;
  covered: Uint8Array | null;
  /** Numbers of the surfaces, or of the places for the air. */
  at: Int32Array;
  /** Three values for each. */
  shares: Float64Array;
}

const WHITE: Rgb = [1, 1, 1];

export class CellRenderer {
  /** Linear RGB of each place, 0 to 1, as it is displayed; overwritten by the next Moment. */
  readonly rgb: Float64Array;
  private readonly count: number;
  private readonly layers: (Known | undefined)[] = [];
  private readonly shares = new Map<string, Shares>();
  /** Which places lie behind something opaque, for each layer: the same list while it is the same. */
  private covered: Uint8Array[] = [];
  private before: Moment | null = null;
  private keepsShapes = false;
  private readonly sums = new LayerSums();
  private readonly wash = new WashOver();
  private readonly lights: LightSums;

  /** @param widthPx,heightPx of the view of all Moments */
  constructor(
    private readonly widthPx: number,
    private readonly heightPx: number,
    private readonly source: PictureSource,
  ) {
    this.count = widthPx * heightPx;
    this.rgb = new Float64Array(3 * this.count);
    this.lights = newSums(3 * this.count);
  }

  /**
   * @param keepsShapes everything stands as in the Moment before, and only how bright the lights are is new: much quicker, for
   * Moments that lie so close together that it does not matter
   * @returns `rgb`, of this Moment
   */
  draw(moment: Moment, keepsShapes = false): Float64Array {
    this.keepsShapes = keepsShapes;
    const pixels = moment.pictures.map(({ key }) => this.source(key));
    const lit = new LayerLight(moment, pixels);
    const layers = this.layersOf(moment, pixels);
    const picture = { width: this.widthPx, height: this.heightPx, data: new Float64Array(3 * this.count) };
    const { backdrop, ambient } = moment;
    for (let i = 0; i < picture.data.length; i++)
      picture.data[i] = backdrop.colour[i % 3] * (backdrop.lit ? ambient[i % 3] : 1);
    let number = 0;
    moment.planes.forEach((plane, index) => {
      for (const layer of plane.layers) {
        if (!plane.overlay) this.lay(moment, lit, index, layer, layers[number], number, picture.data);
        number++;
      }
      this.addAir(moment, lit, index, picture.data);
    });
    this.before = moment;
    this.layWashes(moment, picture.data);
    toDisplayedLinear(moment, picture);
    this.rgb.set(picture.data);
    this.layOverlays(moment, layers);
    return this.rgb;
  }

  /** What all layers show, far to near; the rooms of `covered` are brought up to date. */
  private layersOf(moment: Moment, pixels: readonly (PicturePixels | null)[]): Surfaces[] {
    const out: Known[] = [];
    let isSame = this.before !== null;
    for (const plane of moment.planes)
      for (const layer of plane.layers) {
        const known = this.layers[out.length];
        const isKnown =
          known !== undefined &&
          (this.keepsShapes ||
            (known.of === layer &&
              known.tint.every((v, c) => v === plane.tint[c]) &&
              sameItems(known.drift, driftOver(moment, plane))));
        isSame &&= isKnown;
        out.push(isKnown ? known : this.known(moment, plane, layer, pixels));
      }
    isSame &&= this.layers.length === out.length;
    this.layers.splice(0, Infinity, ...out);
    if (!isSame) this.cover(moment);
    return out.map(({ surfaces }) => surfaces);
  }

  private known(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    pixels: readonly (PicturePixels | null)[],
  ): Known {
    const { sums } = this;
    const places = this.placesOf(moment);
    const surfaces = new Surfaces(this.count);
    sums.gatherAll(moment, plane, layer, pixels, places);
    surfaces.take(sums, places, null);
    return {
      ...{ of: layer, drift: driftOver(moment, plane), tint: [...plane.tint] },
      surfaces: surfaces.trimmed(),
    };
  }

  /** Finds what lies behind something opaque that is always shown: its light need not be known. */
  private cover(moment: Moment): void {
    const under = new Uint8Array(this.count);
    const planes = moment.planes.flatMap((plane) => plane.layers.map(() => plane));
    for (let k = this.layers.length - 1; k >= 0; k--) {
      const { surfaces, of } = this.layers[k]!;
      const { at, alpha, count } = surfaces;
      const known = this.covered[k];
      if (!known?.every((value, i) => value === under[i])) this.covered[k] = under.slice();
      if (planes[k].overlay || of.seenGain !== null) continue;
      for (let i = 0; i < count; i++) if (alpha[i] >= 1) under[at[i]] = 1;
    }
  }

  private lay(
    moment: Moment,
    lit: LayerLight,
    plane: number,
    layer: MomentLayer,
    surfaces: Surfaces,
    number: number,
    picture: Float64Array,
  ): void {
    const { lights } = this;
    const { light, lighten, covered, taken, rim } = lights;
    const { at: places, count, albedo, glow, alpha } = surfaces;
    const size = 3 * count;
    lit.fillAmbient(plane, layer, surfaces);
    const { ambient } = lit;
    for (let i = 0; i < size; i++) light[i] = ambient[i];
    clearSums(lights, size);
    moment.lights.forEach((one, n) => {
      if (one.ambient !== 'no' || !lightsLayer(one, plane, layer)) return;
      const { at, shares } = this.sharesOf(moment, lit, n, plane, layer, surfaces, number);
      const { rgb } = tinted(one);
      for (let i = 0; i < at.length; i++)
        for (let c = 0; c < 3; c++) sumUp(lights, 3 * at[i] + c, one, shares[3 * i + c] * rgb[c]);
    });
    const isHidden = this.covered[number];
    for (let i = 0; i < count; i++) {
      const to = 3 * places[i];
      if (isHidden[places[i]]) continue;
      for (let c = 3 * i; c < 3 * i + 3; c++) light[c] = lightOf(light[c], lighten[c], covered[c], taken[c]);
      const shows = layer.seenGain === null ? 1 : shownShareAt(layer.seenGain, light, ambient, 3 * i);
      const under = 1 - shows * alpha[i];
      for (let c = 0; c < 3; c++)
        picture[to + c] =
          shows * (albedo[3 * i + c] * light[3 * i + c] + surfaces.rim[i] * rim[3 * i + c]) +
          glow[3 * i + c] +
          under * picture[to + c];
    }
  }

  /** What a light gives to a layer's surfaces, per unit of its colour. */
  private sharesOf(
    moment: Moment,
    lit: LayerLight,
    n: number,
    plane: number,
    layer: MomentLayer,
    surfaces: Surfaces,
    number: number,
  ): Shares {
    const hidden = this.covered[number];
    return this.recalled(lit, `${moment.lightIds[n]} ${number}`, moment, n, surfaces, hidden, (white) => {
      const shown = [...surfaces.at.keys()].filter((i) => !hidden[surfaces.at[i]]);
      const places = {
        count: shown.length,
        x: Float64Array.from(shown, (i) => surfaces.x[i]),
        y: Float64Array.from(shown, (i) => surfaces.y[i]),
      };
      const normals = new Float64Array(3 * shown.length);
      shown.forEach((i, k) => normals.set(surfaces.normal.subarray(3 * i, 3 * i + 3), 3 * k));
      lit.giveAll(white, plane, normals, layer, places);
      return shown;
    });
  }

  private addAir(moment: Moment, lit: LayerLight, plane: number, picture: Float64Array): void {
    moment.lights.forEach((one, n) => {
      if (!hangsBefore(one, plane)) return;
      const { at, shares } = this.recalled(
        lit,
        `${moment.lightIds[n]} air`,
        moment,
        n,
        null,
        null,
        (white) => {
          const places = this.placesOf(moment);
          lit.giveAll(white, plane, null, null, places);
          return [...places.x.keys()];
        },
      );
      const { rgb } = tinted(one);
      for (let i = 0; i < at.length; i++)
        for (let c = 0; c < 3; c++) picture[3 * at[i] + c] += shares[3 * i + c] * rgb[c] * one.air;
    });
  }

  /** @param give has the light give to places. @returns the number that stands for each of them */
  private recalled(
    lit: LayerLight,
    key: string,
    moment: Moment,
    n: number,
    surfaces: Surfaces | null,
    covered: Uint8Array | null,
    give: (white: MomentLight) => readonly number[],
  ): Shares {
    const light = moment.lights[n];
    const known = this.shares.get(key);
    if (
      known &&
      known.surfaces === surfaces &&
      known.covered === covered &&
      (this.keepsShapes || hasSameShape(known.light, known.ofMoment, light, moment))
    )
      return known;
    const numbers = give(tinted(light).white);
    const { gives, given } = lit;
    const reached = [...numbers.keys()].filter((k) => gives[k] !== 0);
    const shares = new Float64Array(3 * reached.length);
    reached.forEach((k, i) => shares.set(given.subarray(3 * k, 3 * k + 3), 3 * i));
    const made: Shares = {
      ...{ light, ofMoment: moment, surfaces, covered },
      ...{ at: Int32Array.from(reached, (k) => numbers[k]), shares },
    };
    this.shares.set(key, made);
    return made;
  }

  private layWashes(moment: Moment, data: Float64Array): void {
    if (moment.washes.length === 0) return;
    for (let i = 0; i < this.count; i++) {
      const { x, y } = this.placeOf(moment, i);
      this.wash.over(moment.washes, moment.lightSpace, data.subarray(3 * i, 3 * i + 3), x, y);
    }
  }

  /** Lays the overlay planes over the finished picture, as it is displayed. */
  private layOverlays(moment: Moment, layers: readonly Surfaces[]): void {
    let number = 0;
    for (const plane of moment.planes)
      for (let k = 0; k < plane.layers.length; k++) {
        const { at: places, count, albedo, glow, alpha } = layers[number++];
        if (!plane.overlay) continue;
        for (let i = 0; i < count; i++)
          for (let c = 0; c < 3; c++) {
            const own = displayed(moment.lightSpace, (albedo[3 * i + c] + glow[3 * i + c]) / alpha[i]);
            const to = 3 * places[i] + c;
            this.rgb[to] = srgbDecode(alpha[i] * own + (1 - alpha[i]) * displayed('linear', this.rgb[to]));
          }
      }
  }

  private placesOf(moment: Moment): Places {
    const { count } = this;
    const places = { count, x: new Float64Array(count), y: new Float64Array(count) };
    for (let i = 0; i < count; i++) {
      const { x, y } = this.placeOf(moment, i);
      places.x[i] = x;
      places.y[i] = y;
    }
    return places;
  }

  private placeOf(moment: Moment, place: number): { x: number; y: number } {
    return scenePlace(moment, place % this.widthPx, Math.floor(place / this.widthPx));
  }
}

/** Everything that what drifts over a plane depends on. */
function driftOver({ drifts }: Moment, plane: MomentPlane): unknown[] {
  return drifts.flatMap((drift, i) => {
    const strength = plane.drifts[i];
    if (strength <= 0) return [];
    const { picture, seed, perPx, offset, finerShare, low, high, colour, upright } = drift;
    return [strength, picture, seed, perPx, ...offset, finerShare, low, high, ...colour, upright];
  });
}

/** A light in white, and the colour that it is to be multiplied by; one with stops keeps its colours. */
function tinted(light: MomentLight): { white: MomentLight; rgb: Readonly<Rgb> } {
  if (light.stops) return { white: light, rgb: WHITE };
  return { white: { ...light, rgb: WHITE }, rgb: light.rgb };
}
