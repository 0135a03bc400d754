/**
 * The parts of a silhouette, each of which is round for itself: areas between outlines, or areas of like colour. What
 * lies on no part (the outlines themselves, scraps) goes to a neighbour, ring by ring, so that parts meet in the middle of the
 * line between them. A person can join parts and split one by strokes.
 */
import { SRGB_BYTE_TO_LINEAR, linearToOklab } from '../raster/colour';
import type { Image } from '../raster/image';
import { linePixels } from '../raster/line';
import { labelled } from '../raster/regions';
import type { Recipe } from './recipe';
import type { Silhouette } from './silhouette';
import type { Tone } from './tone';

/** A pixel that is this much outline parts areas. */
const OUTLINE_SHARE = 0.5;
/** Areas below this many px, and below this share of the silhouette, are scraps. */
const SCRAP_PX = 6;
const SCRAP_SHARE = 0.0008;
/** Neighbours whose colours differ by less than this, lightness counting less, are of one area. */
const LIKE_COLOUR = 0.045;
const LIGHTNESS_WEIGHT = 0.45;
const MOST_PARTS = 65_000;

export interface PartStroke {
  kind: 'join' | 'split';
  /** Flat points [x0, y0, x1, y1, ...], px of the art. */
  points: number[];
}

/**
 * @returns a label for each pixel, from 1 on, 0 outside; where regions are not asked for, each island is a part
 */
export function partsOf(
  image: Image,
  silhouette: Silhouette,
  tone: Tone,
  regions: Recipe['body']['regions'],
  strokes: readonly PartStroke[] = [],
): Uint16Array {
  const { inside, width, height } = silhouette;
  let labels: Uint16Array;
  if (regions === 'silhouette') labels = islands(inside, width, height);
  else if (regions === 'outlines') {
    const parts = withoutScraps(areasBetweenOutlines(tone, silhouette), inside);
    labels = grown(parts, inside, width, height, () => 0);
  } else {
    const differs = colourDifference(image, inside);
    const areas = labelled(
      width,
      height,
      (i) => inside[i] === 1,
      (i, j) => differs(i, j) < LIKE_COLOUR * LIKE_COLOUR,
    );
    labels = grown(withoutScraps(areas, inside), inside, width, height, differs);
  }
  for (const stroke of strokes) {
    if (stroke.kind === 'join') join(labels, width, height, stroke.points);
    else labels = split(labels, width, height, stroke.points);
  }
  return labels;
}

function islands(inside: Uint8Array, width: number, height: number): Uint16Array {
  const areas = labelled(
    width,
    height,
    (i) => inside[i] === 1,
    () => true,
  );
  return withoutScraps(areas, inside, 0);
}

function areasBetweenOutlines(tone: Tone, { inside, width, height }: Silhouette): Int32Array {
  const { share } = tone.outlines();
  return labelled(
    width,
    height,
    (i) => inside[i] === 1 && share[i] < OUTLINE_SHARE,
    () => true,
  );
}

/** How far the colours of two pixels are apart, squared, lightness counting less. */
function colourDifference({ data }: Image, inside: Uint8Array): (i: number, j: number) => number {
  const labs = new Float32Array(3 * inside.length);
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    const [l, a, b] = linearToOklab([
      SRGB_BYTE_TO_LINEAR[data[4 * i]],
      SRGB_BYTE_TO_LINEAR[data[4 * i + 1]],
      SRGB_BYTE_TO_LINEAR[data[4 * i + 2]],
    ]);
    labs[3 * i] = l * LIGHTNESS_WEIGHT;
    labs[3 * i + 1] = a;
    labs[3 * i + 2] = b;
  }
  return (i, j) => {
    const l = labs[3 * i] - labs[3 * j];
    const a = labs[3 * i + 1] - labs[3 * j + 1];
    const b = labs[3 * i + 2] - labs[3 * j + 2];
    return l * l + a * a + b * b;
  };
}

function sizesOf(labels: Uint16Array): Int32Array {
  const sizes = new Int32Array(MOST_PARTS + 2);
  for (let i = 0; i < labels.length; i++) sizes[labels[i]]++;
  return sizes;
}

/** Labels made dense from 1 on, scraps taken away; where all are scraps the silhouette is one part. */
function withoutScraps(areas: Int32Array, inside: Uint8Array, leastPx?: number): Uint16Array {
  let most = 0;
  for (let i = 0; i < areas.length; i++) if (areas[i] > most) most = areas[i];
  const counts = new Int32Array(most + 1);
  let all = 0;
  for (let i = 0; i < areas.length; i++) {
    counts[areas[i]]++;
    all += inside[i];
  }
  const least = leastPx ?? Math.max(SCRAP_PX, all * SCRAP_SHARE);
  const dense = new Int32Array(most + 1);
  let parts = 0;
  for (let label = 1; label <= most; label++)
    if (counts[label] >= least && parts < MOST_PARTS) dense[label] = ++parts;
  if (parts === 0) return Uint16Array.from(inside);
  const out = new Uint16Array(areas.length);
  for (let i = 0; i < out.length; i++) out[i] = dense[areas[i]];
  return out;
}

/**
 * Gives every inside pixel without a part to a neighbouring one, ring by ring; of several to the one that is least
 * `away`, so that it does not matter from which corner a picture is read.
 */
function grown(
  labels: Uint16Array,
  inside: Uint8Array,
  width: number,
  height: number,
  away: (i: number, j: number) => number,
): Uint16Array {
  const out = labels.slice();
  const sizes = sizesOf(labels);
  let ring: number[] = [];
  for (let i = 0; i < out.length; i++) if (out[i] === 0 && inside[i]) ring.push(i);
  while (ring.length > 0) {
    const found: number[] = [];
    const left: number[] = [];
    for (const i of ring) {
      const label = nearestBeside(out, sizes, i, width, height, away);
      if (label > 0) found.push(i, label);
      else left.push(i);
    }
    // What no part can reach is an island of scraps.
    if (found.length === 0) return withRest(out, left);
    for (let k = 0; k < found.length; k += 2) out[found[k]] = found[k + 1];
    ring = left;
  }
  return out;
}

function nearestBeside(
  labels: Uint16Array,
  sizes: Int32Array,
  i: number,
  width: number,
  height: number,
  away: (i: number, j: number) => number,
): number {
  let best = 0;
  let least = Infinity;
  for (const j of neighbours(i, width, height)) {
    if (labels[j] === 0) continue;
    const d = away(i, j);
    // Of two that are as near the larger part takes it.
    if (d > least || (d === least && sizes[labels[j]] <= sizes[best])) continue;
    least = d;
    best = labels[j];
  }
  return best;
}

/** Makes one part of what is left, so that nothing inside is without. */
function withRest(labels: Uint16Array, left: readonly number[]): Uint16Array {
  const most = labels.reduce((a, b) => Math.max(a, b), 0);
  for (const i of left) labels[i] = Math.min(MOST_PARTS, most + 1);
  return labels;
}

function join(labels: Uint16Array, width: number, height: number, points: readonly number[]): void {
  const touched = new Set<number>();
  linePixels(points, width, height, (i) => labels[i] > 0 && touched.add(labels[i]));
  const least = Math.min(...touched);
  for (let i = 0; i < labels.length; i++) if (touched.has(labels[i])) labels[i] = least;
}

/** Cuts the parts that a line crosses; the line's own pixels go to a neighbour of the part that they were of. */
function split(labels: Uint16Array, width: number, height: number, points: readonly number[]): Uint16Array {
  const cut = new Set<number>();
  linePixels(points, width, height, (i) => labels[i] > 0 && cut.add(i));
  const areas = labelled(
    width,
    height,
    (i) => labels[i] > 0 && !cut.has(i),
    (i, j) => labels[i] === labels[j],
  );
  const inside = Uint8Array.from(labels, (label) => (label > 0 ? 1 : 0));
  const next = withoutScraps(areas, inside, 1);
  for (let isMoving = true; isMoving;) {
    isMoving = false;
    for (const i of cut) {
      const from = neighbours(i, width, height).find(
        (j) => labels[j] === labels[i] && next[j] > 0 && !cut.has(j),
      );
      if (from === undefined) continue;
      next[i] = next[from];
      cut.delete(i);
      isMoving = true;
    }
  }
  // A part that the line covers whole stays a part.
  const most = next.reduce((a, b) => Math.max(a, b), 0);
  for (const i of cut) next[i] = Math.min(MOST_PARTS, most + 1);
  return next;
}

function neighbours(i: number, width: number, height: number): number[] {
  const x = i % width;
  const y = (i - x) / width;
  const out: number[] = [];
  if (x > 0) out.push(i - 1);
  if (x < width - 1) out.push(i + 1);
  if (y > 0) out.push(i - width);
  if (y < height - 1) out.push(i + width);
  return out;
}
