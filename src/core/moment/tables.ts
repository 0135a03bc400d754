/** What runs from a light's core to its reach as tables that both renderers read: the drawn curve, and colour stops. */
import { monotoneAt, monotoneCubic } from '../geometry/monotone';
import {
  hexInLightSpace,
  hexToLinear,
  linearToOklab,
  oklabToLinear,
  srgbEncode,
  type LightSpace,
  type Rgb,
} from '../raster/colour';
import { Remembered } from '../remembered';
import type { ColourStop, LightLook } from '../scene/records/light-look';
import { TABLE_SIZE } from './moment';

/**
 * A curve through points as a table, never beyond two neighbours between them.
 * @param points shares 0..1, rising, and values in turn
 * @returns TABLE_SIZE values; the first is 1 and the last 0, whatever the points say
 */
export function curveTable(points: readonly number[]): Float32Array {
  const every = (from: number) => points.filter((_, i) => i % 2 === from);
  const cubic = monotoneCubic(every(0), every(1));
  const table = Float32Array.from({ length: TABLE_SIZE }, (_, i) => monotoneAt(cubic, i / (TABLE_SIZE - 1)));
  table[0] = 1;
  table[TABLE_SIZE - 1] = 0;
  return table;
}

/**
 * Colours from core to reach, mixed in OKLab, in a light space.
 * @param colour the one at 0
 * @param shifted what becomes of each colour, linear RGB; null leaves them
 * @returns TABLE_SIZE colours of three values, to be multiplied by the level
 */
export function stopsTable(
  colour: string,
  stops: readonly ColourStop[],
  space: LightSpace,
  shifted: ((own: Rgb) => Rgb) | null = null,
): Float32Array {
  const all = [{ at: 0, colour }, ...stops.toSorted((a, b) => a.at - b.at)].map((stop) => ({
    at: stop.at,
    lab: linearToOklab(shifted ? shifted(hexToLinear(stop.colour)) : hexToLinear(stop.colour)),
  }));
  const table = new Float32Array(3 * TABLE_SIZE);
  for (let i = 0; i < TABLE_SIZE; i++) {
    const u = i / (TABLE_SIZE - 1);
    let k = 0;
    while (k < all.length - 1 && all[k + 1].at <= u) k++;
    const [from, to] = [all[k], all[Math.min(k + 1, all.length - 1)]];
    const share = to.at > from.at ? (u - from.at) / (to.at - from.at) : 0;
    const lab = from.lab.map((v, c) => v + (to.lab[c] - v) * share) as Rgb;
    const linear = oklabToLinear(lab);
    for (let c = 0; c < 3; c++) table[3 * i + c] = space === 'linear' ? linear[c] : srgbEncode(linear[c]);
  }
  return table;
}

/** So many colours are kept decoded; then it begins anew. */
const MOST_COLOURS = 4096;

/** Colours of records, decoded once: thousands of lights have a few of them. What is handed out is never changed. */
export class ColourMemory {
  private readonly kept = { linear: new Map<string, Rgb>(), display: new Map<string, Rgb>() };

  of(hex: string, space: LightSpace): Rgb {
    const kept = this.kept[space];
    let colour = kept.get(hex);
    if (!colour) {
      if (kept.size >= MOST_COLOURS) kept.clear();
      kept.set(hex, (colour = hexInLightSpace(hex, space)));
    }
    return colour;
  }
}

/** Tables by what they are made of, so that they go to the GPU once. */
export class TableMemory {
  private readonly curves = new Remembered<readonly number[], Float32Array>();
  private readonly stops = new Remembered<readonly ColourStop[], Float32Array>();
  private readonly levelled = new Remembered<Float32Array, Float32Array>();

  curve({ drawnCurve }: LightLook): Float32Array {
    return this.curves.recall(drawnCurve, [], () => curveTable(drawnCurve));
  }

  /**
   * The colours of stops times the level.
   * @param shifted what becomes of each colour at this second, linear RGB; null leaves them, and then they are remembered
   */
  colours(
    { colour, stops }: LightLook,
    level: number,
    space: LightSpace,
    shifted: ((own: Rgb) => Rgb) | null = null,
  ): Float32Array {
    if (shifted) return stopsTable(colour, stops, space, shifted).map((v) => v * level);
    const table = this.stops.recall(stops, [colour, space], () => stopsTable(colour, stops, space));
    return this.levelled.recall(table, [level], () => table.map((v) => v * level));
  }
}
