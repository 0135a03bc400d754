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
import { displayed, scenePlace } from './point-renderer';
import { toDisplayedLinear } from './finished';
import { hasSameShape } from './same-shape';
import { clearSums, lightOf, newSums, shownShare, sumUp, type LightSums } from './terms/sums';

/** What a layer shows at the places where it shows anything. */
interface Surfaces {
  of: MomentLayer;
  /** What drifts over it, and where. */
  drift: readonly unknown[];
  tint: Readonly<Rgb>;
  /** Numbers of the places, row by row. */
  places: Int32Array;
  /** Three values a place. */
  albedo: Float64Array;
  glow: Float64Array;
  normal: Float64Array;
  rim: Float64Array;
  alpha: Float64Array;
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
  private readonly layers: (Surfaces | undefined)[] = [];
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
    const out: Surfaces[] = [];
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
        out.push(isKnown ? known : this.surfacesOf(moment, plane, layer, pixels));
      }
    isSame &&= this.layers.length === out.length;
    this.layers.splice(0, Infinity, ...out);
    if (!isSame) this.cover(moment);
    return out;
  }

  private surfacesOf(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    pixels: readonly (PicturePixels | null)[],
  ): Surfaces {
    const { sums } = this;
    const places: number[] = [];
    const values: number[] = [];
    for (let i = 0; i < this.count; i++) {
      const { x, y } = this.placeOf(moment, i);
      if (!sums.gather(moment, plane, layer, pixels, x, y)) continue;
      sums.face();
      places.push(i);
      values.push(...sums.albedo, ...sums.glow, ...sums.normal, sums.rim, sums.alpha);
    }
    const pick = (from: number, size: number) => {
      const out = new Float64Array(size * places.length);
      for (let i = 0; i < places.length; i++)
        for (let k = 0; k < size; k++) out[size * i + k] = values[11 * i + from + k];
      return out;
    };
    return {
      ...{
        of: layer,
        drift: driftOver(moment, plane),
        tint: [...plane.tint],
        places: Int32Array.from(places),
      },
      ...{ albedo: pick(0, 3), glow: pick(3, 3), normal: pick(6, 3), rim: pick(9, 1), alpha: pick(10, 1) },
    };
  }

  /** Finds what lies behind something opaque that is always shown: its light need not be known. */
  private cover(moment: Moment): void {
    const under = new Uint8Array(this.count);
    const planes = moment.planes.flatMap((plane) => plane.layers.map(() => plane));
    for (let k = this.layers.length - 1; k >= 0; k--) {
      const { places, alpha, of } = this.layers[k]!;
      const known = this.covered[k];
      if (!known?.every((value, i) => value === under[i])) this.covered[k] = under.slice();
      if (planes[k].overlay || of.seenGain !== null) continue;
      for (let i = 0; i < places.length; i++) if (alpha[i] >= 1) under[places[i]] = 1;
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
    const { places, albedo, glow, alpha } = surfaces;
    const size = 3 * places.length;
    const ambient = this.ambientOf(moment, lit, plane, layer, surfaces);
    for (let i = 0; i < size; i++) light[i] = ambient ? ambient[i] : moment.ambient[i % 3];
    clearSums(lights, size);
    moment.lights.forEach((one, n) => {
      if (one.ambient !== 'no' || !lightsLayer(one, plane, layer)) return;
      const { at, shares } = this.sharesOf(moment, lit, n, plane, surfaces, number);
      const { rgb } = tinted(one);
      for (let i = 0; i < at.length; i++)
        for (let c = 0; c < 3; c++) sumUp(lights, 3 * at[i] + c, one, shares[3 * i + c] * rgb[c]);
    });
    const isHidden = this.covered[number];
    for (let i = 0; i < places.length; i++) {
      const to = 3 * places[i];
      if (isHidden[places[i]]) continue;
      for (let c = 3 * i; c < 3 * i + 3; c++) light[c] = lightOf(light[c], lighten[c], covered[c], taken[c]);
      const shows =
        layer.seenGain === null
          ? 1
          : shownShare(
              layer.seenGain,
              light.subarray(3 * i, 3 * i + 3),
              ambient ? ambient.subarray(3 * i, 3 * i + 3) : moment.ambient,
            );
      const under = 1 - shows * alpha[i];
      for (let c = 0; c < 3; c++)
        picture[to + c] =
          shows * (albedo[3 * i + c] * light[3 * i + c] + surfaces.rim[i] * rim[3 * i + c]) +
          glow[3 * i + c] +
          under * picture[to + c];
    }
  }

  /** The ambient light of each surface; null is the scene's own on all of them. */
  private ambientOf(
    moment: Moment,
    lit: LayerLight,
    plane: number,
    layer: MomentLayer,
    { places }: Surfaces,
  ): Float64Array | null {
    if (moment.lights.every((one) => one.ambient === 'no' || !lightsLayer(one, plane, layer))) return null;
    const out = new Float64Array(3 * places.length);
    places.forEach((place, i) => {
      const { x, y } = this.placeOf(moment, place);
      lit.fillAmbient(plane, layer, x, y);
      out.set(lit.ambient, 3 * i);
    });
    return out;
  }

  /** What a light gives to a layer's surfaces, per unit of its colour. */
  private sharesOf(
    moment: Moment,
    lit: LayerLight,
    n: number,
    plane: number,
    surfaces: Surfaces,
    number: number,
  ): Shares {
    const { places, normal } = surfaces;
    const hidden = this.covered[number];
    const facing = new Float64Array(3);
    return this.recalled(`${moment.lightIds[n]} ${number}`, moment, n, surfaces, hidden, (white, add) => {
      for (let i = 0; i < places.length; i++) {
        if (hidden[places[i]]) continue;
        const { x, y } = this.placeOf(moment, places[i]);
        for (let c = 0; c < 3; c++) facing[c] = normal[3 * i + c];
        if (lit.give(white, moment.planes[plane], x, y, facing, surfaces.of)) add(i, lit.given);
      }
    });
  }

  private addAir(moment: Moment, lit: LayerLight, plane: number, picture: Float64Array): void {
    moment.lights.forEach((one, n) => {
      if (one.plane !== plane || one.air === 0 || one.blend === 'subtract' || one.ambient !== 'no') return;
      const { at, shares } = this.recalled(
        `${moment.lightIds[n]} air`,
        moment,
        n,
        null,
        null,
        (white, add) => {
          for (let i = 0; i < this.count; i++) {
            const { x, y } = this.placeOf(moment, i);
            if (lit.give(white, moment.planes[plane], x, y, null, null)) add(i, lit.given);
          }
        },
      );
      const { rgb } = tinted(one);
      for (let i = 0; i < at.length; i++)
        for (let c = 0; c < 3; c++) picture[3 * at[i] + c] += shares[3 * i + c] * rgb[c] * one.air;
    });
  }

  private recalled(
    key: string,
    moment: Moment,
    n: number,
    surfaces: Surfaces | null,
    covered: Uint8Array | null,
    give: (white: MomentLight, add: (at: number, given: Float64Array) => void) => void,
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
    const at: number[] = [];
    const values: number[] = [];
    give(tinted(light).white, (index, [r, g, b]) => {
      at.push(index);
      values.push(r, g, b);
    });
    const made: Shares = {
      ...{ light, ofMoment: moment, surfaces, covered },
      ...{ at: Int32Array.from(at), shares: Float64Array.from(values) },
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
        const { places, albedo, glow, alpha } = layers[number++];
        if (!plane.overlay) continue;
        for (let i = 0; i < places.length; i++)
          for (let c = 0; c < 3; c++) {
            const own = displayed(moment.lightSpace, (albedo[3 * i + c] + glow[3 * i + c]) / alpha[i]);
            const to = 3 * places[i] + c;
            this.rgb[to] = srgbDecode(alpha[i] * own + (1 - alpha[i]) * displayed('linear', this.rgb[to]));
          }
      }
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
