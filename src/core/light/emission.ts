/** What a light gives to a point, before facing and shadow. The GPU's twin is in gpu/shaders/light.ts. */
import type { LightSpace } from '../raster/colour';
import { TABLE_SIZE, type MomentGobo, type MomentLight, type PicturePixels } from '../moment/moment';
import { coneAt } from './terms/cone';
import { fallAt } from './terms/fall';
import { fadeAt } from './terms/fade';
import { distanceOutside } from './terms/outside';
import { banded, ditherAt } from './terms/steps';
import { SAMPLE, SAMPLE_SIZE, samplePicture } from './sample';

/** Why nothing of a light's own is there: it ends before, points elsewhere, falls to its darkest step, or its gobo is dark. */
export type MissingLight = 'reach' | 'field' | 'steps' | 'gobo';

/** Works out one light at one point after the other; what it finds is overwritten by the next. */
export class Emission {
  /** Colour times everything but facing and shadow. */
  readonly rgb = new Float64Array(3);
  /** The share of the light before its colour, gobo and level: 0 where it does not reach. */
  share = 0;
  private readonly sample = new Float64Array(SAMPLE_SIZE);

  constructor(
    private readonly pixels: readonly (PicturePixels | null)[],
    private readonly space: LightSpace,
  ) {}

  /**
   * @param px,py the place that stands for the point (the middle of its block)
   * @param column,row the point's cell in its plane, for the dither
   * @returns whether it gives anything
   */
  at(light: MomentLight, px: number, py: number, column: number, row: number): boolean {
    const { rgb } = this;
    const u = this.reach(light, px, py);
    this.share = this.steps(light, column, row);
    if (this.share === 0) return false;
    const { stops } = light;
    if (stops) {
      const at = Math.min(1, u) * (TABLE_SIZE - 1);
      const i = Math.min(TABLE_SIZE - 2, Math.floor(at));
      for (let c = 0; c < 3; c++)
        rgb[c] = this.share * (stops[3 * i + c] + (stops[3 * i + 3 + c] - stops[3 * i + c]) * (at - i));
    } else for (let c = 0; c < 3; c++) rgb[c] = this.share * light.rgb[c];
    return light.gobo ? this.throughGobo(light.gobo, px, py) : true;
  }

  /** Why a light gives nothing to a point, as `at` says; null where it gives something. */
  missing(light: MomentLight, px: number, py: number, column: number, row: number): MissingLight | null {
    if (this.at(light, px, py, column, row)) return null;
    const u = this.reach(light, px, py);
    if (this.share > 0) return light.gobo && this.steps(light, column, row) > 0 ? 'gobo' : 'steps';
    const { cone } = light;
    return cone && u < 1 && coneAt(cone, px - light.x, py - light.y) === 0 ? 'field' : 'reach';
  }

  private steps({ bands, dither }: MomentLight, column: number, row: number): number {
    return banded(this.share, bands, dither ? ditherAt(column, row) : 0.5);
  }

  /** Finds the share. @returns how far the point is on the way from core to reach, 0 to 1 */
  private reach(light: MomentLight, px: number, py: number): number {
    const { figure, corePx, reachPx, curve, steepness, drawn } = light;
    this.share = 1;
    if (figure === 'even' || figure === 'picture') return 0;
    const [dx, dy] = [px - light.x, py - light.y];
    const squashed = dy * light.squash;
    const distance =
      figure === 'area' ? distanceOutside(light.area!, px, py) : Math.sqrt(dx * dx + squashed * squashed);
    const isInside = figure === 'area' && distance === 0;
    this.share = isInside ? 1 : fallAt(distance, corePx, reachPx, curve, steepness, drawn);
    if (light.cone && this.share > 0) this.share *= coneAt(light.cone, dx, dy);
    return distance <= corePx ? 0 : distance >= reachPx ? 1 : (distance - corePx) / (reachPx - corePx);
  }

  private throughGobo(
    { picture, frame, inverse: m, fadeX, fadeY, nearest }: MomentGobo,
    px: number,
    py: number,
  ): boolean {
    const { rgb, sample } = this;
    const pixels = this.pixels[picture];
    const u = m.a * px + m.c * py + m.e;
    const v = m.b * px + m.d * py + m.f;
    const [w, h] = [frame.right - frame.left, frame.bottom - frame.top];
    if (!pixels || u < 0 || v < 0 || u >= w || v >= h) return false;
    samplePicture(pixels, frame, u, v, nearest, this.space, sample);
    const fade = fadeAt(u, w, fadeX) * fadeAt(v, h, fadeY);
    rgb[0] *= sample[SAMPLE.r] * fade;
    rgb[1] *= sample[SAMPLE.g] * fade;
    rgb[2] *= sample[SAMPLE.b] * fade;
    return rgb[0] + rgb[1] + rgb[2] > 0;
  }
}
