/** The light of one layer at one point: the sums of light.md, none of which has an order. */
import type { Moment, MomentLayer, MomentLight, MomentPlane, PicturePixels } from '../moment/moment';
import { pastCasts } from './cast';
import { Emission } from './emission';
import { blockPlace } from './terms/steps';
import { facing, wayToLight } from './terms/facing';
import { ambientOf, clearSums, lightOf, newSums, pastShadow, sumUp } from './terms/sums';
import { Visibility } from './shadow';

/** Works out lights at points; scratch is kept between them. */
export class LayerLight {
  /** What the ambient light gives, alone. */
  readonly ambient = new Float64Array(3);
  private readonly sums = newSums(3);
  /** L: what albedo is multiplied by. */
  readonly light = this.sums.light;
  /** What rims are multiplied by. */
  readonly rim = this.sums.rim;
  /** What one light gives: colour, falloff, facing and shadow. */
  readonly given = new Float64Array(3);
  private readonly emission: Emission;
  private readonly visibility: Visibility;
  private readonly way = new Float64Array(3);

  constructor(
    private readonly moment: Moment,
    private readonly pixels: readonly (PicturePixels | null)[],
  ) {
    this.emission = new Emission(pixels, moment.lightSpace);
    this.visibility = new Visibility(moment);
  }

  /** Fills light, ambient and rim for a surface of a layer. */
  fill(index: number, layer: MomentLayer, normal: Float64Array, px: number, py: number): void {
    const { moment, light, ambient, sums, given } = this;
    clearSums(sums, 3);
    if (moment.unlit) {
      light.fill(1);
      ambient.fill(0);
      return;
    }
    this.fillAmbient(index, layer, px, py);
    light.set(ambient);
    for (const one of moment.lights) {
      if (one.ambient !== 'no' || !lightsLayer(one, index, layer)) continue;
      if (!this.give(one, moment.planes[index], px, py, normal, layer)) continue;
      for (let c = 0; c < 3; c++) sumUp(sums, c, one, given[c]);
    }
    for (let c = 0; c < 3; c++)
      light[c] = lightOf(light[c], sums.lighten[c], sums.covered[c], sums.taken[c]) + moment.workLamp[c];
  }

  /**
   * What one light gives to a surface, into `given`.
   * @param normal null asks for what hangs in the air: no facing
   * @param layer null is the air, which takes shadows
   */
  give(
    light: MomentLight,
    plane: MomentPlane,
    px: number,
    py: number,
    normal: Float64Array | null,
    layer: Pick<MomentLayer, 'takesShadows' | 'takesCasts'> | null,
  ): boolean {
    const { emission, given, moment } = this;
    const { left, top, right, bottom } = light.box;
    const { blockPx } = light;
    const [qx, qy] = [blockPlace(px, plane.originX, blockPx), blockPlace(py, plane.originY, blockPx)];
    if (qx < left || qx > right || qy < top || qy > bottom) return false;
    const cell = Math.max(1, blockPx);
    const column = Math.floor((px - plane.originX) / cell);
    const row = Math.floor((py - plane.originY) / cell);
    if (!emission.at(light, qx, qy, column, row)) return false;
    let share = 1;
    if (normal) {
      const l = wayToLight(light.source, qx, qy, this.way);
      const dot = normal[0] * l[0] + normal[1] * l[1] + normal[2] * l[2];
      share = facing(dot, light.wrap, light.relief);
    }
    if (share === 0) return false;
    for (let c = 0; c < 3; c++) given[c] = emission.rgb[c] * share;
    if (layer && !layer.takesShadows) return true;
    const seen = this.visibility.at(light, qx, qy);
    const open =
      layer?.takesCasts && light.casts.length > 0
        ? pastCasts(moment, light, this.pixels, moment.planes.indexOf(plane), qx, qy)
        : 1;
    for (let c = 0; c < 3; c++) given[c] *= pastShadow(seen[c] * open, light.shadowLet[c]);
    return true;
  }

  /** The scene's ambient light, with what is added to it, and where others take its place. */
  fillAmbient(index: number, layer: Pick<MomentLayer, 'listens'>, px: number, py: number): void {
    const { moment, ambient, emission } = this;
    const plane = moment.planes[index];
    const instead = [0, 0, 0];
    const added = [0, 0, 0];
    let weight = 0;
    for (const light of moment.lights) {
      if (light.ambient === 'no' || !lightsLayer(light, index, layer)) continue;
      const cell = Math.max(1, light.blockPx);
      const qx = blockPlace(px, plane.originX, light.blockPx);
      const qy = blockPlace(py, plane.originY, light.blockPx);
      const column = Math.floor((px - plane.originX) / cell);
      const row = Math.floor((py - plane.originY) / cell);
      if (!emission.at(light, qx, qy, column, row)) continue;
      const isAdded = light.ambient === 'added';
      if (!isAdded) weight += emission.share;
      const sum = isAdded ? added : instead;
      for (let c = 0; c < 3; c++) sum[c] += emission.rgb[c];
    }
    for (let c = 0; c < 3; c++) ambient[c] = ambientOf(moment.ambient[c], instead[c], weight, added[c]);
  }
}

/** Whether a light has anything to do with a layer. */
export function lightsLayer(
  { spanFar, spanNear, feeds }: MomentLight,
  index: number,
  { listens }: Pick<MomentLayer, 'listens'>,
): boolean {
  return index >= spanFar && index <= spanNear && (feeds & listens) !== 0;
}
