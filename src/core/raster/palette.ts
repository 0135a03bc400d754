/**
 * The palette of a picture: its colours themselves where there are few, else clusters of near ones: boxes in OKLab
 * halved where they are widest (after Heckbert 1982), then drawn to their means (Lloyd 1982). The same picture always
 * gives the same palette, lightest last.
 */
import { bytesToHex, linearToOklab, SRGB_BYTE_TO_LINEAR, type Rgb } from './colour';
import type { Image } from './image';

/** Up to so many colours a palette is exact. */
export const EXACT_COLOURS = 64;
/** Beyond that it has at most this many clusters. */
export const MOST_CLUSTERS = 24;
/** Pixels that are not covered have this index. */
export const NO_COLOUR = 255;

/** Rounds in which clusters are drawn to their means; they hardly move after that. */
const ROUNDS = 6;
const BIN_BITS = 5;
const BINS_PER_CHANNEL = 1 << BIN_BITS;

export interface PaletteColour {
  hex: string;
  lab: Rgb;
  /** Pixels that have it. */
  count: number;
}

export interface Palette {
  colours: PaletteColour[];
  isExact: boolean;
  /** Index of each pixel's colour; NO_COLOUR outside. */
  indices: Uint8Array;
}

export function labOf(r: number, g: number, b: number): Rgb {
  return linearToOklab([SRGB_BYTE_TO_LINEAR[r], SRGB_BYTE_TO_LINEAR[g], SRGB_BYTE_TO_LINEAR[b]]);
}

/** Distance of two colours in OKLab; just visible from about 0.02 on. */
export function labDistance(a: Readonly<Rgb>, b: Readonly<Rgb>): number {
  const [dl, da, db] = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  return Math.sqrt(dl * dl + da * da + db * db);
}

/** @param inside flags of the pixels that count */
export function paletteOf(image: Image, inside: Uint8Array): Palette {
  return exactPalette(image, inside) ?? clusteredPalette(image, inside);
}

function exactPalette({ data }: Image, inside: Uint8Array): Palette | null {
  const numbers = new Map<number, number>();
  const counts: number[] = [];
  const indices = new Uint8Array(inside.length).fill(NO_COLOUR);
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    const key = (data[4 * i] << 16) | (data[4 * i + 1] << 8) | data[4 * i + 2];
    let n = numbers.get(key);
    if (n === undefined) {
      n = numbers.size;
      if (n === EXACT_COLOURS) return null;
      numbers.set(key, n);
      counts.push(0);
    }
    counts[n]++;
    indices[i] = n;
  }
  const colours = [...numbers].map(([key, n]) => {
    const bytes: Rgb = [key >> 16, (key >> 8) & 255, key & 255];
    return { hex: bytesToHex(bytes), lab: labOf(...bytes), count: counts[n] };
  });
  return ordered(colours, indices, true);
}

interface Bin {
  lab: Rgb;
  rgb: Rgb;
  count: number;
  cluster: number;
}

function clusteredPalette({ data }: Image, inside: Uint8Array): Palette {
  const shift = 8 - BIN_BITS;
  const at = (i: number) =>
    ((data[4 * i] >> shift) * BINS_PER_CHANNEL + (data[4 * i + 1] >> shift)) * BINS_PER_CHANNEL +
    (data[4 * i + 2] >> shift);
  const size = BINS_PER_CHANNEL * BINS_PER_CHANNEL * BINS_PER_CHANNEL;
  const sums = new Float64Array(4 * size);
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    const b = 4 * at(i);
    sums[b] += data[4 * i];
    sums[b + 1] += data[4 * i + 1];
    sums[b + 2] += data[4 * i + 2];
    sums[b + 3]++;
  }
  const bins: Bin[] = [];
  const binOf = new Int32Array(size);
  for (let b = 0; b < size; b++) {
    const count = sums[4 * b + 3];
    if (count === 0) continue;
    const rgb = [0, 1, 2].map((c) => Math.round(sums[4 * b + c] / count)) as Rgb;
    binOf[b] = bins.length;
    bins.push({ rgb, lab: labOf(...rgb), count, cluster: 0 });
  }
  const colours = clusters(bins);
  const indices = new Uint8Array(inside.length).fill(NO_COLOUR);
  for (let i = 0; i < inside.length; i++) if (inside[i]) indices[i] = bins[binOf[at(i)]].cluster;
  return ordered(colours, indices, false);
}

function clusters(bins: Bin[]): PaletteColour[] {
  let boxes = [bins];
  while (boxes.length < MOST_CLUSTERS) {
    const spreads = boxes.map(spreadOf);
    const widest = spreads.reduce((best, s, i) => (s.error > spreads[best].error ? i : best), 0);
    if (spreads[widest].error === 0) break;
    boxes = boxes.toSpliced(widest, 1, ...cut(boxes[widest], spreads[widest].axis));
  }
  let middles = boxes.map(meanLab);
  for (let round = 0; round < ROUNDS; round++) {
    for (const bin of bins) bin.cluster = nearestOf(middles, bin.lab);
    middles = middles.map((old, n) => {
      const own = bins.filter((bin) => bin.cluster === n);
      return own.length === 0 ? old : meanLab(own);
    });
  }
  return middles.map((lab, n) => {
    const own = bins.filter((bin) => bin.cluster === n);
    const count = own.reduce((sum, bin) => sum + bin.count, 0);
    const rgb = [0, 1, 2].map((c) =>
      count === 0 ? 0 : Math.round(own.reduce((sum, bin) => sum + bin.rgb[c] * bin.count, 0) / count),
    ) as Rgb;
    return { hex: bytesToHex(rgb), lab, count };
  });
}

function spreadOf(box: Bin[]): { axis: number; error: number } {
  const mean = meanLab(box);
  const errors = [0, 1, 2].map((c) =>
    box.reduce((sum, { lab, count }) => sum + count * (lab[c] - mean[c]) * (lab[c] - mean[c]), 0),
  );
  const axis = errors[0] >= errors[1] && errors[0] >= errors[2] ? 0 : errors[1] >= errors[2] ? 1 : 2;
  return { axis, error: box.length < 2 ? 0 : errors[axis] };
}

function cut(box: Bin[], axis: number): [Bin[], Bin[]] {
  const sorted = box.toSorted((a, b) => a.lab[axis] - b.lab[axis]);
  const mean = meanLab(box)[axis];
  const at = sorted.findIndex(({ lab }) => lab[axis] > mean);
  const place = Math.min(sorted.length - 1, Math.max(1, at));
  return [sorted.slice(0, place), sorted.slice(place)];
}

function meanLab(box: Bin[]): Rgb {
  const all = box.reduce((sum, { count }) => sum + count, 0);
  return [0, 1, 2].map((c) => box.reduce((sum, { lab, count }) => sum + lab[c] * count, 0) / all) as Rgb;
}

function nearestOf(middles: Rgb[], lab: Rgb): number {
  let best = 0;
  let least = Infinity;
  for (let n = 0; n < middles.length; n++) {
    const d = labDistance(middles[n], lab);
    if (d < least) {
      least = d;
      best = n;
    }
  }
  return best;
}

/** Darkest first; clusters that nothing belongs to fall away. */
function ordered(colours: PaletteColour[], indices: Uint8Array, isExact: boolean): Palette {
  const ranked = colours
    .map((_, n) => n)
    .filter((n) => colours[n].count > 0)
    .sort((a, b) => colours[a].lab[0] - colours[b].lab[0] || (colours[a].hex < colours[b].hex ? -1 : 1));
  const place = new Uint8Array(256).fill(NO_COLOUR);
  ranked.forEach((n, k) => (place[n] = k));
  for (let i = 0; i < indices.length; i++) indices[i] = place[indices[i]];
  return { colours: ranked.map((n) => colours[n]), isExact, indices };
}
