/**
 * The account of one pixel: what each light gives to what is seen there, or the first reason why it gives nothing, and all
 * else that the pixel is made of. Its lines add up to the picture in the light space; what is done to that afterwards stands
 * step by step. It reads the Moment as the reference renderer does, and says what that says.
 */
import type { Moment, MomentLayer, PicturePixels, PictureSource } from '../../moment/moment';
import type { Rgb } from '../../raster/colour';
import { WashOver } from '../../weather/wash';
import { LayerSums } from '../layer';
import { LayerLight } from '../layer-light';
import { finishStepsAt, type FinishedPixel } from '../finished';
import { PointRenderer, scenePlace } from '../point-renderer';
import { shownShareAt } from '../terms/sums';
import type {
  Account,
  FinishAccount,
  LaterLine,
  LightAccount,
  LightLine,
  OtherLine,
  Surface,
} from './account';
import { LightLines, linesOf, partsOf } from './light-lines';

/** A layer, as it counts in the picture. */
interface Shown extends Surface {
  glow: Rgb;
  /** All that the layer shows, without what is behind it. */
  own: Rgb;
}

/** Something behind layers that may cover it: what is left of it is worked out as they come. */
type Laid = { share: number } & ({ layer: Shown } | { air: number; rgb: Rgb });

/**
 * @param x,y the pixel of the view, counted from its upper left corner
 */
export function accountFor(moment: Moment, source: PictureSource, x: number, y: number): Account {
  const light = lightAccountFor(moment, source, x, y);
  const finished = finishStepsAt(moment, source, x, y);
  return { ...light, ...finishAccountFor(moment, source, light, finished, x, y) };
}

/** The part of an account that needs no other pixel than its own. */
export function lightAccountFor(moment: Moment, source: PictureSource, x: number, y: number): LightAccount {
  const { x: px, y: py } = scenePlace(moment, x, y);
  const pixels = moment.pictures.map(({ key }) => source(key));
  const renderer = new PointRenderer(moment, source);
  const { laid, backdrop } = laidAt(moment, pixels, px, py);
  const layers = laid.flatMap((one) => ('layer' in one ? [{ ...one.layer, share: one.share }] : []));
  const front = frontOf(layers);
  const { lights, others: ofFront } = front
    ? frontLines(moment, pixels, front, px, py)
    : { lights: moment.lights.map((_, light) => unlit(light)), others: [] };
  const others: OtherLine[] = [...ofFront, { what: 'backdrop', rgb: backdrop }];
  let isBehind = true;
  for (const one of laid) {
    if ('layer' in one) {
      const { plane, layer, sprite, own } = one.layer;
      const isFront = plane === front?.plane && layer === front.layer;
      if (isFront) isBehind = false;
      else
        others.push({
          what: isBehind ? 'behind' : 'in front',
          plane,
          layer,
          sprite,
          rgb: scaled(own, one.share),
        });
    } else others.push({ what: 'air', light: one.air, rgb: scaled(one.rgb, one.share) });
  }
  const [r, g, b, alpha] = renderer.overlayAt(px, py);
  return {
    ...{ x: px, y: py, surface: front && surfaceOf(front), lights, others },
    sum: sumOf([...lights, ...others]),
    overlay: [r, g, b, alpha],
  };
}

/**
 * The rest of an account.
 * @param x,y the pixel of the view
 */
export function finishAccountFor(
  moment: Moment,
  source: PictureSource,
  { sum, x: px, y: py }: LightAccount,
  finished: FinishedPixel,
  x: number,
  y: number,
): FinishAccount {
  const bytes = new Uint8Array(4);
  new PointRenderer(moment, source).encode(finished.shown, 0, x, y, bytes, 0);
  return {
    later: laterLines(moment, sum, finished, px, py),
    pixel: [bytes[0], bytes[1], bytes[2]],
  };
}

function unlit(light: number): LightLine {
  return {
    ...{ light, rgb: [0, 0, 0], given: [0, 0, 0], seen: [1, 1, 1], occluders: [] },
    nothing: { why: 'backdrop' },
  };
}

/** All that lies over one another at a place, far to near, each with the share of it that comes through to the picture. */
function laidAt(
  moment: Moment,
  pixels: readonly (PicturePixels | null)[],
  px: number,
  py: number,
): { laid: Laid[]; backdrop: Rgb } {
  const { backdrop, ambient, workLamp, unlit: isUnlit } = moment;
  const sums = new LayerSums();
  const lit = new LayerLight(moment, pixels);
  const laid: Laid[] = [];
  let backdropShare = 1;
  const cover = (by: number) => {
    backdropShare *= 1 - by;
    for (const one of laid) one.share *= 1 - by;
  };
  moment.planes.forEach((plane, index) => {
    plane.layers.forEach((layer, at) => {
      if (plane.overlay || !sums.gather(moment, plane, layer, pixels, px, py)) return;
      const sprite = coveringSprite(moment, index, layer, pixels, sums.alpha[0], px, py);
      sums.gather(moment, plane, layer, pixels, px, py);
      sums.face();
      lit.fill(index, layer, sums.normal, px, py);
      const isSeen = layer.seenGain === null || isUnlit;
      const shows = isSeen ? 1 : shownShareAt(layer.seenGain!, lit.light, lit.ambient, 0);
      const { albedo, glow, normal } = sums;
      const [rim, alpha] = [sums.rim[0], sums.alpha[0]];
      const own = [0, 1, 2].map(
        (c) => shows * (albedo[c] * lit.light[c] + rim * lit.rim[c]) + glow[c],
      ) as Rgb;
      cover(shows * alpha);
      const [a, g, n] = [albedo, glow, normal].map((values) => [...values] as Rgb);
      const shown = {
        plane: index,
        layer: at,
        sprite,
        alpha,
        share: 1,
        albedo: a,
        glow: g,
        normal: n,
        rim,
        shows,
        own,
      };
      laid.push({ layer: shown, share: 1 });
    });
    moment.lights.forEach((light, i) => {
      if (light.plane !== index || light.air === 0 || light.blend === 'subtract' || light.ambient !== 'no')
        return;
      if (!lit.give(light, index, px, py, null, null)) return;
      laid.push({ air: i, share: 1, rgb: [0, 1, 2].map((c) => lit.given[c] * light.air) as Rgb });
    });
  });
  const light = (c: number) => (backdrop.lit && !isUnlit ? ambient[c] + workLamp[c] : 1);
  return { laid, backdrop: backdrop.colour.map((v, c) => v * light(c) * backdropShare) as Rgb };
}

/** The sprite that most of a layer is of at a place. */
function coveringSprite(
  moment: Moment,
  plane: number,
  layer: MomentLayer,
  pixels: readonly (PicturePixels | null)[],
  all: number,
  px: number,
  py: number,
): number {
  if (layer.sprites.length === 1) return 0;
  const sums = new LayerSums();
  let [best, most, left] = [0, 0, all];
  for (let i = layer.sprites.length - 1; i >= 0 && left > most; i--) {
    const alone = { ...layer, sprites: [layer.sprites[i]] };
    if (!sums.gather(moment, moment.planes[plane], alone, pixels, px, py)) continue;
    const own = sums.alpha[0] * left;
    if (own > most) [best, most] = [i, own];
    left *= 1 - sums.alpha[0];
  }
  return best;
}

/** What is seen most of; of two the nearer one. */
function frontOf(layers: readonly Shown[]): Shown | null {
  let front: Shown | null = null;
  const seen = ({ alpha, shows, share }: Shown) => alpha * shows * share;
  for (const layer of layers) if (seen(layer) > 0 && (!front || seen(layer) >= seen(front))) front = layer;
  return front;
}

/** The lines of the surface that is accounted for. */
function frontLines(
  moment: Moment,
  pixels: readonly (PicturePixels | null)[],
  front: Shown,
  px: number,
  py: number,
): { lights: LightLine[]; others: OtherLine[] } {
  const { share, shows, albedo, glow, rim, plane, layer, sprite } = front;
  const factor = albedo.map((v) => v * share * shows) as Rgb;
  const others: OtherLine[] = [];
  const add = (what: 'ambient' | 'unlit' | 'work lamp' | 'glow' | 'no darker than black', rgb: Rgb) => {
    if (rgb.some((v) => v !== 0)) others.push({ what, rgb });
  };
  const times = (rgb: Readonly<Rgb>) => rgb.map((v, c) => v * factor[c]) as Rgb;
  add('glow', scaled(glow, share));
  if (moment.unlit) {
    add('unlit', factor);
    return { lights: [], others };
  }
  const given = new LightLines(moment, pixels).given(front, px, py);
  const parts = partsOf(moment.ambient, given);
  add('ambient', times(parts.ambient));
  add('no darker than black', times(parts.floor));
  add('work lamp', times(moment.workLamp));
  const { selfLit } = moment.planes[plane].layers[layer].sprites[sprite];
  return { lights: linesOf(given, parts, factor, rim * share * shows, selfLit), others };
}

/** What the blur of planes and washes make of the sum, up to the light that the finish begins with. */
function laterLines(
  moment: Moment,
  sum: Readonly<Rgb>,
  { blurred, steps }: FinishedPixel,
  px: number,
  py: number,
) {
  const later: LaterLine[] = [];
  const values = Float64Array.from(sum);
  const now = (): Rgb => [values[0], values[1], values[2]];
  if (blurred) {
    later.push({ what: 'blur', from: now(), to: blurred });
    values.set(blurred);
  }
  const over = new WashOver();
  moment.washes.forEach((one, wash) => {
    const from = now();
    over.over([one], moment.lightSpace, values, px, py);
    later.push({ what: 'wash', wash, from, to: now() });
  });
  return [...later, ...steps.map((step): LaterLine => ({ what: 'pass', ...step }))];
}

function surfaceOf({ glow: _glow, own: _own, ...surface }: Shown): Surface {
  return surface;
}

function scaled(rgb: Readonly<Rgb>, by: number): Rgb {
  return [rgb[0] * by, rgb[1] * by, rgb[2] * by];
}

function sumOf(lines: readonly { rgb: Rgb }[]): Rgb {
  const sum: Rgb = [0, 0, 0];
  for (const { rgb } of lines) for (let c = 0; c < 3; c++) sum[c] += rgb[c];
  return sum;
}
