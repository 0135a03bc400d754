/**
 * Which way the green of a given normal map points. Two witnesses are asked: the curl of the slopes, which is nil for a
 * true surface and large for one read the wrong way; and the border of the silhouette, where facings mostly point
 * outward. It is said only when one of them is clear and the other does not contradict it.
 */
import { NORMAL_BYTE_TO_VALUE } from '../light/terms/facing';
import type { Image } from '../raster/image';
import { STEEPEST_NZ } from './normals';

/** The curl of one reading must be so many times that of the other. */
const CLEAR_RATIO = 4;
/** The mean of normal times outward direction that is clear. */
const CLEAR_MEAN = 0.1;
/** A normal whose length is off by more than this is counted. */
const LENGTH_TOLERANCE = 0.1;
/** Below this a map is so flat that its curl says nothing. */
const LEAST_CURL = 1e-4;

export type Orientation = 'up' | 'down' | 'doubtful';

export interface OrientationEvidence {
  orientation: Orientation;
  /** Curl when read as Y down, over that when read as Y up; above 4 speaks for Y up, below a quarter for Y down. */
  curlRatio: number | null;
  /** Mean of normal times outward direction along the silhouette, vertical part, read as Y up; null on a full tile. */
  outwardMean: number | null;
  /** Inside pixels, and those whose normal is too long or too short. */
  pixels: number;
  wrongLengths: number;
}

export function judgeOrientation(map: Image, inside: Uint8Array): OrientationEvidence {
  const curlRatio = ratioOfCurls(map, inside);
  const outwardMean = outward(map, inside);
  const byCurl: Orientation =
    curlRatio === null
      ? 'doubtful'
      : curlRatio > CLEAR_RATIO
        ? 'up'
        : curlRatio < 1 / CLEAR_RATIO
          ? 'down'
          : 'doubtful';
  const byBorder: Orientation =
    outwardMean === null || Math.abs(outwardMean) <= CLEAR_MEAN
      ? 'doubtful'
      : outwardMean > 0
        ? 'up'
        : 'down';
  const contradict = byCurl !== 'doubtful' && byBorder !== 'doubtful' && byCurl !== byBorder;
  const orientation = contradict ? 'doubtful' : byCurl !== 'doubtful' ? byCurl : byBorder;
  return { orientation, curlRatio, outwardMean, ...lengths(map, inside) };
}

function ratioOfCurls({ width, height, data }: Image, inside: Uint8Array): number | null {
  let up = 0;
  let down = 0;
  const slope = (i: number, c: number) =>
    -NORMAL_BYTE_TO_VALUE[data[4 * i + c]] / Math.max(STEEPEST_NZ, NORMAL_BYTE_TO_VALUE[data[4 * i + 2]]);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      if (!(inside[i] & inside[i - 1] & inside[i + 1] & inside[i - width] & inside[i + width])) continue;
      const acrossDown = (slope(i + width, 0) - slope(i - width, 0)) / 2;
      // The slope downward is that of green where it points down, and minus it where it points up.
      const greenAcross = (slope(i + 1, 1) - slope(i - 1, 1)) / 2;
      down += (greenAcross - acrossDown) * (greenAcross - acrossDown);
      up += (greenAcross + acrossDown) * (greenAcross + acrossDown);
    }
  }
  const least = LEAST_CURL * inside.length;
  if (up + down < least) return null;
  return down / Math.max(up, 1e-9);
}

function outward({ width, height, data }: Image, inside: Uint8Array): number | null {
  let sum = 0;
  let across = 0;
  let count = 0;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!inside[i]) continue;
      const l = x > 0 && inside[i - 1] ? 1 : 0;
      const r = x < width - 1 && inside[i + 1] ? 1 : 0;
      const t = y > 0 && inside[i - width] ? 1 : 0;
      const b = y < height - 1 && inside[i + width] ? 1 : 0;
      if (l + r + t + b === 4) continue;
      if ((x === 0 && !l) || (y === 0 && !t) || (x === width - 1 && !r) || (y === height - 1 && !b)) continue;
      const ox = l - r;
      const oy = t - b;
      const length = Math.sqrt(ox * ox + oy * oy);
      if (length === 0) continue;
      sum -= (NORMAL_BYTE_TO_VALUE[data[4 * i + 1]] * oy) / length;
      across += (NORMAL_BYTE_TO_VALUE[data[4 * i]] * ox) / length;
      count++;
    }
  }
  if (count === 0) return null;
  // Red tells whether facings point outward at all; in a hollow both turn.
  const isHollow = across / count < -CLEAR_MEAN;
  return (isHollow ? -sum : sum) / count;
}

function lengths({ data }: Image, inside: Uint8Array): { pixels: number; wrongLengths: number } {
  let pixels = 0;
  let wrongLengths = 0;
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue;
    pixels++;
    const [x, y, z] = [0, 1, 2].map((c) => NORMAL_BYTE_TO_VALUE[data[4 * i + c]]);
    if (Math.abs(Math.sqrt(x * x + y * y + z * z) - 1) > LENGTH_TOLERANCE) wrongLengths++;
  }
  return { pixels, wrongLengths };
}
