/** What a light gives to a point, before facing and shadow. The GPU's twin is in gpu/shaders/light.ts. */
import type { LightSpace } from '../raster/colour';
import type { Box } from '../geometry/affine';
import {
  TABLE_SIZE,
  type MomentArea,
  type MomentCone,
  type MomentGobo,
  type MomentLight,
  type MomentPlane,
  type PicturePixels,
} from '../moment/moment';
import { coneAt } from './terms/cone';
import { fallAt } from './terms/fall';
import { fadeAt } from './terms/fade';
import { distanceOutside } from './terms/outside';
import { onePlace, type Places } from './places';
import { banded, blockPlace, ditherAt } from './terms/steps';
import { SAMPLE, SAMPLE_SIZE, samplePicture } from './sample';

/** Why nothing of a light's own is there: it ends before, points elsewhere, falls to its darkest step, or its gobo is dark. */
export type MissingLight = 'reach' | 'field' | 'steps' | 'gobo';

/** Where the cells of a plane are counted from. */
type Origin = Pick<MomentPlane, 'originX' | 'originY'>;

/** Works out what lights give to places; what it finds is overwritten by the next light. */
export class Emission {
  /** How much of the light is there, before its colour and its gobo: 0 where nothing of it is. */
  share = new Float64Array(1);
  /** Three values a place, only where the share is not 0: the light itself, once it is coloured. */
  rgb = new Float64Array(3);
  /** Whether `rgb` has the colours of places already, by which shares are to be multiplied. */
  private isTinted = false;
  /** What stands for the places: the middles of their blocks. */
  x = new Float64Array(1);
  y = new Float64Array(1);
  private readonly sample = new Float64Array(SAMPLE_SIZE);
  private readonly place = onePlace();

  constructor(
    private readonly pixels: readonly (PicturePixels | null)[],
    private readonly space: LightSpace,
  ) {}

  /** Finds the shares of a light, and colours that differ from place to place. @param box nothing is looked for beyond it */
  fill(light: MomentLight, origin: Origin, places: Places, box: Box = EVERYWHERE): void {
    const { count } = places;
    this.reserve(count);
    const plain = plainShape(light);
    this.isTinted = light.stops !== null || light.gobo !== null;
    if (plain) return this.fillPlain(plain, places);
    const { share, rgb, x, y } = this;
    const { blockPx, bands, dither, stops, gobo } = light;
    const { originX, originY } = origin;
    const { left, top, right, bottom } = box;
    const cell = Math.max(1, blockPx);
    const shape = shapeOf(light);
    for (let i = 0; i < count; i++) {
      const px = places.x[i];
      const py = places.y[i];
      const qx = blockPlace(px, originX, blockPx);
      const qy = blockPlace(py, originY, blockPx);
      x[i] = qx;
      y[i] = qy;
      share[i] = 0;
      if (qx < left || qx > right || qy < top || qy > bottom) continue;
      let own = 1;
      let way = 0;
      if (shape) {
        const distance = distanceTo(shape, qx, qy);
        own = shareAt(shape, distance, qx, qy);
        way = wayAt(shape, distance);
      }
      if (bands !== 0) {
        const column = Math.floor((px - originX) / cell);
        const row = Math.floor((py - originY) / cell);
        own = banded(own, bands, dither ? ditherAt(column, row) : EVEN_THRESHOLD);
      }
      if (own === 0) continue;
      share[i] = own;
      if (stops) readStops(stops, way, rgb, 3 * i);
      else if (gobo) for (let c = 0; c < 3; c++) rgb[3 * i + c] = light.rgb[c];
      if (gobo && !this.throughGobo(gobo, qx, qy, 3 * i)) share[i] = 0;
    }
  }

  /** Most lights: one colour that falls off around a place, smoothly. */
  private fillPlain(shape: Shape, { count, x: xs, y: ys }: Places): void {
    const { share, x, y } = this;
    const { corePx, reachPx, curve, steepness, drawn, cone, squash } = shape;
    const [lightX, lightY] = [shape.x, shape.y];
    for (let i = 0; i < count; i++) {
      const px = xs[i];
      const py = ys[i];
      x[i] = px;
      y[i] = py;
      const dx = px - lightX;
      const dy = py - lightY;
      const squashed = dy * squash;
      const distance = Math.sqrt(dx * dx + squashed * squashed);
      let own = fallAt(distance, corePx, reachPx, curve, steepness, drawn);
      if (cone && own > 0) own *= coneAt(cone, dx, dy);
      share[i] = own;
    }
  }

  /** Multiplies shares and colours: what the light gives, into `rgb`. */
  colour({ rgb: [red, green, blue] }: MomentLight, count: number): void {
    const { share, rgb, isTinted } = this;
    for (let i = 0, at = 0; i < count; i++, at += 3) {
      const own = share[i];
      if (own === 0) continue;
      rgb[at] = own * (isTinted ? rgb[at] : red);
      rgb[at + 1] = own * (isTinted ? rgb[at + 1] : green);
      rgb[at + 2] = own * (isTinted ? rgb[at + 2] : blue);
    }
  }

  /** What a light gives to one place; `rgb` and `share` are its first values then. @returns whether it gives anything */
  at(light: MomentLight, origin: Origin, px: number, py: number): boolean {
    const { place } = this;
    place.x[0] = px;
    place.y[0] = py;
    this.fill(light, origin, place);
    this.colour(light, 1);
    return this.share[0] > 0;
  }

  /** Why a light gives nothing to a place; null where it gives something. */
  missing(light: MomentLight, origin: Origin, px: number, py: number): MissingLight | null {
    if (this.at(light, origin, px, py)) return null;
    const [qx, qy] = [this.x[0], this.y[0]];
    const shape = shapeOf(light);
    const distance = shape ? distanceTo(shape, qx, qy) : 0;
    if (!shape || shareAt(shape, distance, qx, qy) > 0)
      return light.gobo && this.at({ ...light, gobo: null }, origin, px, py) ? 'gobo' : 'steps';
    const { cone } = light;
    return cone && wayAt(shape, distance) < 1 && coneAt(cone, qx - light.x, qy - light.y) === 0
      ? 'field'
      : 'reach';
  }

  private reserve(count: number): void {
    if (this.share.length >= count) return;
    this.rgb = new Float64Array(3 * count);
    this.share = new Float64Array(count);
    this.x = new Float64Array(count);
    this.y = new Float64Array(count);
  }

  private throughGobo(
    { picture, frame, inverse: m, fadeX, fadeY, nearest }: MomentGobo,
    px: number,
    py: number,
    at: number,
  ): boolean {
    const { rgb, sample } = this;
    const pixels = this.pixels[picture];
    const u = m.a * px + m.c * py + m.e;
    const v = m.b * px + m.d * py + m.f;
    const [w, h] = [frame.right - frame.left, frame.bottom - frame.top];
    if (!pixels || u < 0 || v < 0 || u >= w || v >= h) return false;
    samplePicture(pixels, frame, u, v, nearest, this.space, sample);
    const fade = fadeAt(u, w, fadeX) * fadeAt(v, h, fadeY);
    rgb[at] *= sample[SAMPLE.r] * fade;
    rgb[at + 1] *= sample[SAMPLE.g] * fade;
    rgb[at + 2] *= sample[SAMPLE.b] * fade;
    return rgb[at] + rgb[at + 1] + rgb[at + 2] > 0;
  }
}

const EVERYWHERE: Box = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };
/** The threshold of bands that are not dithered. */
const EVEN_THRESHOLD = 0.5;

/** What of a light says how it falls off with the distance, the same fields in the same order for every light. */
interface Shape {
  x: number;
  y: number;
  corePx: number;
  reachPx: number;
  squash: number;
  curve: number;
  steepness: number;
  drawn: Float32Array | null;
  cone: MomentCone | null;
  area: MomentArea | null;
}

/** Null is the same everywhere, but for a gobo. */
function shapeOf(light: MomentLight): Shape | null {
  const { figure, x, y, corePx, reachPx, squash, curve, steepness, drawn, cone } = light;
  if (figure === 'even' || figure === 'picture') return null;
  const area = figure === 'area' ? light.area : null;
  return { x, y, corePx, reachPx, squash, curve, steepness, drawn, cone, area };
}

/** The shape of a light of which nothing but the distance and the bearing matters; null is any other. */
function plainShape(light: MomentLight): Shape | null {
  const { figure, blockPx, bands, stops, gobo } = light;
  const isPlain =
    (figure === 'round' || figure === 'cone') && blockPx === 0 && bands === 0 && !stops && !gobo;
  return isPlain ? shapeOf(light) : null;
}

function distanceTo({ area, x, y, squash }: Shape, px: number, py: number): number {
  if (area) return distanceOutside(area, px, py);
  const dx = px - x;
  const squashed = (py - y) * squash;
  return Math.sqrt(dx * dx + squashed * squashed);
}

function shareAt(shape: Shape, distance: number, px: number, py: number): number {
  const { corePx, reachPx, curve, steepness, drawn, cone } = shape;
  const isInside = shape.area !== null && distance === 0;
  const share = isInside ? 1 : fallAt(distance, corePx, reachPx, curve, steepness, drawn);
  return cone && share > 0 ? share * coneAt(cone, px - shape.x, py - shape.y) : share;
}

/** How far a place is on the way from core to reach, 0 to 1. */
function wayAt({ corePx, reachPx }: Shape, distance: number): number {
  return distance <= corePx ? 0 : distance >= reachPx ? 1 : (distance - corePx) / (reachPx - corePx);
}

/** Writes the colour on the way from core to reach. */
function readStops(stops: Float32Array, way: number, out: Float64Array, to: number): void {
  const at = Math.min(1, way) * (TABLE_SIZE - 1);
  const i = Math.min(TABLE_SIZE - 2, Math.floor(at));
  for (let c = 0; c < 3; c++)
    out[to + c] = stops[3 * i + c] + (stops[3 * i + 3 + c] - stops[3 * i + c]) * (at - i);
}
