/** The light of one layer at places: the sums of light.md, none of which has an order. */
import type { Moment, MomentLayer, MomentLight, PicturePixels } from '../moment/moment';
import { pastCasts } from './cast';
import { Emission } from './emission';
import { onePlace, type Places } from './places';
import { Visibility } from './shadow';
import { faceAll } from './terms/facing';
import { ambientOf, clearSums, lightOf, newSums, pastShadow, sumUpAll, type LightSums } from './terms/sums';

interface LayersLights {
  /** Those that shine on it. */
  shining: MomentLight[];
  /** Those that are a part of its ambient light. */
  ambient: MomentLight[];
}

/** How a layer answers to shadows; null is the air, which takes them. */
type Taking = Pick<MomentLayer, 'takesShadows' | 'takesCasts'> | null;

/** Works out lights at places; what it finds is overwritten by the next call. Three values a place in all that it fills. */
export class LayerLight {
  /** What the ambient light gives, alone. */
  ambient = new Float64Array(3);
  private sums: LightSums = newSums(3);
  private readonly emission: Emission;
  private visibility: Visibility;
  /** The lights that have to do with a layer, by the layer. */
  private readonly lists = new Map<Pick<MomentLayer, 'listens'>, LayersLights>();
  private readonly place = onePlace();
  private addedToAmbient = new Float64Array(3);
  private weight = new Float64Array(1);

  constructor(
    private moment: Moment,
    private readonly pixels: readonly (PicturePixels | null)[],
  ) {
    this.emission = new Emission(pixels, moment.lightSpace);
    this.visibility = new Visibility(moment);
  }

  /** From now on the lights are those of a Moment with the same pictures. */
  use(moment: Moment): void {
    this.moment = moment;
    this.visibility = new Visibility(moment);
    this.lists.clear();
  }

  /** L: what albedo is multiplied by. */
  get light(): Float64Array {
    return this.sums.light;
  }

  /** What rims are multiplied by. */
  get rim(): Float64Array {
    return this.sums.rim;
  }

  /** What one light gives: colour, falloff, facing and shadow; only where `gives` says that it does. */
  get given(): Float64Array {
    return this.emission.rgb;
  }

  /** Not 0 where a light gives anything. */
  get gives(): Float64Array {
    return this.emission.share;
  }

  /** Fills light, ambient and rim for a surface of a layer at one place. */
  fill(index: number, layer: MomentLayer, normal: Float64Array, px: number, py: number): void {
    this.fillAll(index, layer, normal, this.placeAt(px, py));
  }

  /** @param normals three values a place */
  fillAll(index: number, layer: MomentLayer, normals: Float64Array, places: Places): void {
    const { moment } = this;
    const size = 3 * places.count;
    if (this.sums.light.length < size) this.sums = newSums(size);
    const { sums } = this;
    sums.rim.fill(0, 0, size);
    if (moment.unlit) {
      this.reserveAmbient(places.count);
      sums.light.fill(1, 0, size);
      this.ambient.fill(0, 0, size);
      return;
    }
    this.fillAmbient(index, layer, places);
    const { light, lighten, covered, taken } = sums;
    const { ambient } = this;
    const { shining } = this.lightsOf(index, layer);
    const areSums = shining.every(({ blend, rim }) => rim || blend === 'add');
    if (!areSums) clearSums(sums, size);
    for (let i = 0; i < size; i++) light[i] = ambient[i];
    for (const one of shining) {
      this.giveAll(one, index, normals, layer, places);
      sumUpAll(sums, one, this.gives, this.given, places.count);
    }
    const { workLamp } = moment;
    for (let c = 0; c < 3; c++)
      for (let i = c; i < size; i += 3)
        light[i] =
          (areSums ? lightOf(light[i], 0, 1, 0) : lightOf(light[i], lighten[i], covered[i], taken[i])) +
          workLamp[c];
  }

  /** What one light gives to a place, into `given`. @returns whether it gives anything */
  give(
    light: MomentLight,
    plane: number,
    px: number,
    py: number,
    normal: Float64Array | null,
    layer: Taking,
  ): boolean {
    this.giveAll(light, plane, normal, layer, this.placeAt(px, py));
    return this.gives[0] > 0;
  }

  /**
   * What one light gives to surfaces, into `given` and `gives`.
   * @param normals null asks for what hangs in the air: no facing
   */
  giveAll(
    light: MomentLight,
    plane: number,
    normals: Float64Array | null,
    layer: Taking,
    places: Places,
  ): void {
    const { emission, moment } = this;
    emission.fill(light, moment.planes[plane], places, light.box);
    if (normals) faceAll(light, normals, emission.x, emission.y, emission.share, places.count);
    emission.colour(light, places.count);
    if (!layer || layer.takesShadows) this.shade(light, plane, layer, places.count);
  }

  private shade(light: MomentLight, plane: number, layer: Taking, count: number): void {
    const { emission, moment, visibility, pixels } = this;
    const takesCasts = layer !== null && layer.takesCasts && light.casts.length > 0;
    if (light.occluders.length === 0 && !takesCasts) return;
    const { share, rgb, x, y } = emission;
    const [red, green, blue] = light.shadowLet;
    for (let i = 0, at = 0; i < count; i++, at += 3) {
      if (share[i] === 0) continue;
      const seen = visibility.at(light, x[i], y[i]);
      const open = takesCasts ? pastCasts(moment, light, pixels, plane, x[i], y[i]) : 1;
      rgb[at] *= pastShadow(seen[0] * open, red);
      rgb[at + 1] *= pastShadow(seen[1] * open, green);
      rgb[at + 2] *= pastShadow(seen[2] * open, blue);
    }
  }

  private lightsOf(index: number, layer: Pick<MomentLayer, 'listens'>): LayersLights {
    let lists = this.lists.get(layer);
    if (!lists) {
      const own = this.moment.lights.filter((light) => lightsLayer(light, index, layer));
      lists = {
        shining: own.filter(({ ambient }) => ambient === 'no'),
        ambient: own.filter(({ ambient }) => ambient !== 'no'),
      };
      this.lists.set(layer, lists);
    }
    return lists;
  }

  /** The scene's ambient light, with what is added to it, and where others take its place. */
  fillAmbient(index: number, layer: Pick<MomentLayer, 'listens'>, places: Places): void {
    const { moment, emission } = this;
    const { count } = places;
    this.reserveAmbient(count);
    const { ambient, addedToAmbient: added, weight } = this;
    const lights = this.lightsOf(index, layer).ambient;
    if (lights.length === 0) {
      const [red, green, blue] = moment.ambient;
      for (let i = 0; i < 3 * count; i += 3) {
        ambient[i] = red;
        ambient[i + 1] = green;
        ambient[i + 2] = blue;
      }
      return;
    }
    const instead = ambient;
    instead.fill(0, 0, 3 * count);
    added.fill(0, 0, 3 * count);
    weight.fill(0, 0, count);
    for (const light of lights) {
      emission.fill(light, moment.planes[index], places);
      emission.colour(light, count);
      const isAdded = light.ambient === 'added';
      const sum = isAdded ? added : instead;
      for (let i = 0; i < count; i++) {
        if (emission.share[i] === 0) continue;
        if (!isAdded) weight[i] += emission.share[i];
        for (let c = 3 * i; c < 3 * i + 3; c++) sum[c] += emission.rgb[c];
      }
    }
    for (let i = 0; i < 3 * count; i++)
      ambient[i] = ambientOf(moment.ambient[i % 3], instead[i], weight[Math.floor(i / 3)], added[i]);
  }

  private reserveAmbient(count: number): void {
    if (this.weight.length >= count) return;
    this.ambient = new Float64Array(3 * count);
    this.addedToAmbient = new Float64Array(3 * count);
    this.weight = new Float64Array(count);
  }

  private placeAt(px: number, py: number): Places {
    this.place.x[0] = px;
    this.place.y[0] = py;
    return this.place;
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
