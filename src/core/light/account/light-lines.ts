/** What every light gives to one surface, or the first reason why it gives nothing. */
import type { Moment, MomentLayer, MomentLight, MomentPlane, PicturePixels } from '../../moment/moment';
import type { Rgb } from '../../raster/colour';
import { pastCasts } from '../cast';
import { Emission } from '../emission';
import { lightsLayer } from '../layer-light';
import { isWithin, Visibility } from '../shadow';
import { faceAll } from '../terms/facing';
import { ambientOf, pastShadow } from '../terms/sums';
import type { LightLine, NoLight, Surface } from './account';

/** What one light gives, before the surface takes it back. */
export interface Given {
  light: MomentLight;
  /** Black where `nothing` says why. */
  given: Rgb;
  seen: Rgb;
  occluders: readonly number[];
  nothing: NoLight | null;
  /** Of one that stands in the ambient light's place: how much it does. */
  weight: number;
}

/** An occluder that takes less than this of a light is not named. */
const LEAST_STOPPED = 1e-6;

const BLACK: Rgb = [0, 0, 0];
const OPEN: Rgb = [1, 1, 1];

export class LightLines {
  private readonly emission: Emission;
  private readonly visibility: Visibility;

  constructor(
    private readonly moment: Moment,
    private readonly pixels: readonly (PicturePixels | null)[],
  ) {
    this.emission = new Emission(pixels, moment.lightSpace);
    this.visibility = new Visibility(moment);
  }

  /** All lights of the Moment on a surface at a scene place, in their order. */
  given(
    { plane, layer, normal }: Pick<Surface, 'plane' | 'layer' | 'normal'>,
    px: number,
    py: number,
  ): Given[] {
    const { moment } = this;
    const on = moment.planes[plane];
    return moment.lights.map((light) => this.one(light, plane, on, on.layers[layer], normal, px, py));
  }

  private one(
    light: MomentLight,
    index: number,
    plane: MomentPlane,
    layer: MomentLayer,
    normal: Rgb,
    px: number,
    py: number,
  ): Given {
    const { emission } = this;
    const none = (nothing: NoLight): Given => ({
      ...{ light, given: BLACK, seen: OPEN, occluders: [], nothing, weight: 0 },
    });
    if (!lightsLayer(light, index, layer))
      return none({ why: index < light.spanFar || index > light.spanNear ? 'span' : 'circuits' });
    const missing = emission.missing(light, plane, px, py);
    if (missing) return none({ why: missing });
    const [qx, qy] = [emission.x[0], emission.y[0]];
    const own: Rgb = [emission.rgb[0], emission.rgb[1], emission.rgb[2]];
    if (light.ambient !== 'no')
      return { light, given: own, seen: OPEN, occluders: [], nothing: null, weight: emission.share[0] };
    const faced = Float64Array.of(1);
    faceAll(light, normal, emission.x, emission.y, faced, 1);
    const [share] = faced;
    if (share === 0) return none({ why: 'facing' });
    const lit: Rgb = [own[0] * share, own[1] * share, own[2] * share];
    if (!layer.takesShadows)
      return { light, given: lit, seen: OPEN, occluders: [], nothing: null, weight: 0 };
    return this.shadowed(light, lit, layer, index, qx, qy);
  }

  /** What comes past occluders and the shapes of what stands. */
  private shadowed(
    light: MomentLight,
    lit: Rgb,
    { takesCasts }: MomentLayer,
    plane: number,
    qx: number,
    qy: number,
  ): Given {
    const { moment, visibility } = this;
    const [r, g, b] = visibility.at(light, qx, qy);
    const open =
      takesCasts && light.casts.length > 0 ? pastCasts(moment, light, this.pixels, plane, qx, qy) : 1;
    const seen: Rgb = [r * open, g * open, b * open];
    const given = lit.map((v, c) => v * pastShadow(seen[c], light.shadowLet[c])) as Rgb;
    const occluders = r + g + b < 3 ? this.stopping(light, qx, qy) : [];
    const isNone = given.every((v) => v === 0);
    return {
      ...{ light, given, seen, occluders, weight: 0 },
      nothing: isNone ? this.whyDark(light, occluders, open, qx, qy) : null,
    };
  }

  private whyDark(
    light: MomentLight,
    occluders: readonly number[],
    open: number,
    qx: number,
    qy: number,
  ): NoLight {
    if (open === 0) return { why: 'cast shape', casts: light.casts };
    const own = occluders.filter((i) => isWithin(this.moment.occluders[i], qx, qy));
    return own.length > 0 ? { why: 'own shade', occluders: own } : { why: 'blocked', occluders };
  }

  /** The occluders that take something of a light by themselves, those that take most first. */
  private stopping(light: MomentLight, qx: number, qy: number): number[] {
    return light.occluders
      .map((index) => {
        const [r, g, b] = this.visibility.at({ ...light, occluders: [index] }, qx, qy);
        return { index, stopped: 1 - (r + g + b) / 3 };
      })
      .filter(({ stopped }) => stopped > LEAST_STOPPED)
      .sort((a, b) => b.stopped - a.stopped || a.index - b.index)
      .map(({ index }) => index);
  }
}

/** What albedo is multiplied by, told apart: the parts add up to the light of the layer, channel by channel. */
export interface LightParts {
  ambient: Rgb;
  /** What each light adds of it, in the Moment's order. */
  lights: Rgb[];
  /** What brings a light below black up to it. */
  floor: Rgb;
}

/** Joins what lights give as the renderers do; see terms/sums.ts. Rims are not in it. */
export function partsOf(scene: Readonly<Rgb>, all: readonly Given[]): LightParts {
  const lights = all.map((): Rgb => [0, 0, 0]);
  const ambient: Rgb = [0, 0, 0];
  const floor: Rgb = [0, 0, 0];
  const weight = all.reduce(
    (sum, { light, weight: own }) => sum + (light.ambient === 'instead' ? own : 0),
    0,
  );
  for (let c = 0; c < 3; c++) {
    ambient[c] = ambientOf(scene[c], 0, weight, 0);
    let base = ambient[c];
    let [lighten, winner, covered, uncovering, taken] = [0, -1, 1, 0, 0];
    all.forEach(({ light, given }, i) => {
      const own = given[c];
      if (light.ambient !== 'no') {
        lights[i][c] = light.ambient === 'added' ? own : own / Math.max(1, weight);
        base += lights[i][c];
      } else if (light.rim) return;
      else if (light.blend === 'add') {
        lights[i][c] = own;
        base += own;
      } else if (light.blend === 'lighten') {
        if (own > lighten) [lighten, winner] = [own, i];
      } else if (light.blend === 'uncover') {
        covered *= 1 - Math.min(own, 1);
        uncovering += Math.min(own, 1);
      } else {
        lights[i][c] = -own;
        taken += own;
      }
    });
    if (winner >= 0) lights[winner][c] = Math.max(0, lighten - base);
    const brightest = Math.max(base, lighten);
    const uncovered = Math.max(0, 1 - covered - brightest);
    if (uncovered > 0)
      all.forEach(({ light, given }, i) => {
        if (light.ambient !== 'no' || light.rim || light.blend !== 'uncover') return;
        lights[i][c] = (uncovered * Math.min(given[c], 1)) / uncovering;
      });
    const left = Math.max(brightest, 1 - covered) - taken;
    floor[c] = Math.max(0, left) - left;
  }
  return { ambient, lights, floor };
}

/** Lines of lights as they count in the picture. @param factor what the light of the layer is multiplied by; `rim` what rims are */
export function linesOf(
  all: readonly Given[],
  parts: LightParts,
  factor: Readonly<Rgb>,
  rim: number,
  isSelfLit: boolean,
): LightLine[] {
  return all.map(({ light, given, seen, occluders, nothing }, i) => {
    const rgb = (light.rim ? given.map((v) => v * rim) : parts.lights[i].map((v, c) => v * factor[c])) as Rgb;
    const isNone = rgb.every((v) => v === 0);
    return {
      ...{ light: i, rgb, given, seen, occluders },
      nothing: nothing ?? (isNone ? whyLost(light, parts.lights[i], isSelfLit) : null),
    };
  });
}

/** Why the surface has nothing of a light that falls on it. */
function whyLost(light: MomentLight, part: Rgb, isSelfLit: boolean): NoLight {
  if (light.rim) return { why: 'no rim' };
  if (part.every((v) => v === 0)) return { why: 'outshone' };
  return { why: isSelfLit ? 'self-lit' : 'black' };
}
