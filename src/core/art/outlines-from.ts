/**
 * Outlines of what stops light, taken from a picture: from its alpha, from the colours that are wall in an opaque
 * picture, or from regions of one colour that hang together. Places are px of the part of the picture that is looked at.
 */
import { signedArea2 } from '../geometry/outline';
import { traceAlpha } from '../geometry/trace';
import { ALL_CLOSED, distanceInside } from '../raster/distance';
import type { Image } from '../raster/image';
import type { Rect } from '../raster/rect';

export const OUTLINE_WAYS = ['alpha', 'colours', 'regions'] as const;
export type OutlineWay = (typeof OUTLINE_WAYS)[number];

export interface OutlineRule {
  way: OutlineWay;
  /** From this coverage on, 0 to 255, a pixel stops light. */
  threshold: number;
  /** Colours of walls, red, green and blue. */
  colours: readonly (readonly [number, number, number])[];
  /** Pixels of the picture in whose regions light stops. */
  seeds: readonly (readonly [number, number])[];
  /** How far a colour may be from another one and still count as the same, 0 to 255 in each channel. */
  likeness: number;
  /** How far the outline may stray from the pixels, px. */
  tolerancePx: number;
  /** By how much it lies within what is drawn; below 0 beyond it. */
  insetPx: number;
  /** Whether openings stay open. */
  holes: boolean;
}

/** @throws RangeError where the part reaches beyond the picture */
export function outlinesFrom(image: Image, part: Rect, rule: OutlineRule): number[][] {
  const [width, height] = [part.right - part.left, part.bottom - part.top];
  if (part.left < 0 || part.top < 0 || part.right > image.width || part.bottom > image.height)
    throw new RangeError(`the part ${width}x${height} reaches beyond the picture`);
  const mask = maskOf(image, part, rule);
  // Room around, so that an outline that is drawn wider is not cut off by the frame.
  const room = Math.max(0, Math.ceil(-rule.insetPx)) + 1;
  const inset = insetMask(mask, width, height, rule.insetPx, room);
  const outlines = traceAlpha(inset, width + 2 * room, height + 2 * room, 1, rule.tolerancePx);
  return outlines
    .filter((points) => rule.holes || signedArea2(points) < 0)
    .map((points) => points.map((v) => v - room));
}

function maskOf(image: Image, part: Rect, rule: OutlineRule): Uint8Array {
  const [width, height] = [part.right - part.left, part.bottom - part.top];
  const mask = new Uint8Array(width * height);
  const at = (x: number, y: number) => 4 * ((part.top + y) * image.width + part.left + x);
  if (rule.way === 'regions') {
    for (const [sx, sy] of rule.seeds) fillRegion(image, part, mask, sx - part.left, sy - part.top, rule);
    return mask;
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = at(x, y);
      const isThere = image.data[i + 3] >= Math.max(1, rule.threshold);
      const isWall =
        rule.way === 'alpha' || rule.colours.some((colour) => isLike(image, i, colour, rule.likeness));
      if (isThere && isWall) mask[y * width + x] = 1;
    }
  }
  return mask;
}

function isLike({ data }: Image, i: number, colour: readonly number[], likeness: number): boolean {
  return (
    Math.abs(data[i] - colour[0]) <= likeness &&
    Math.abs(data[i + 1] - colour[1]) <= likeness &&
    Math.abs(data[i + 2] - colour[2]) <= likeness
  );
}

/** Marks the pixels that hang together with one through their sides and have its colour. */
function fillRegion(
  image: Image,
  part: Rect,
  mask: Uint8Array,
  sx: number,
  sy: number,
  rule: OutlineRule,
): void {
  const [width, height] = [part.right - part.left, part.bottom - part.top];
  if (sx < 0 || sy < 0 || sx >= width || sy >= height) return;
  const at = (k: number) => 4 * ((part.top + Math.floor(k / width)) * image.width + part.left + (k % width));
  const start = sy * width + sx;
  const colour = [...image.data.subarray(at(start), at(start) + 3)];
  const waiting = [start];
  const seen = new Uint8Array(width * height);
  seen[start] = 1;
  for (let k = waiting.pop(); k !== undefined; k = waiting.pop()) {
    mask[k] = 1;
    const x = k % width;
    for (const next of [x > 0 ? k - 1 : -1, x < width - 1 ? k + 1 : -1, k - width, k + width]) {
      if (next < 0 || next >= seen.length || seen[next] || !isLike(image, at(next), colour, rule.likeness))
        continue;
      seen[next] = 1;
      waiting.push(next);
    }
  }
}

/** The mask with a border of `room`, drawn in or out by a distance between pixel centres. */
function insetMask(
  mask: Uint8Array,
  width: number,
  height: number,
  insetPx: number,
  room: number,
): Uint8Array {
  const [w, h] = [width + 2 * room, height + 2 * room];
  const out = new Uint8Array(w * h);
  for (let y = 0; y < height; y++) out.set(mask.subarray(y * width, (y + 1) * width), (y + room) * w + room);
  if (insetPx === 0) return out;
  if (insetPx > 0) {
    const away = distanceInside(out, w, h, ALL_CLOSED);
    return out.map((flag, i) => (flag && away[i] > insetPx ? 1 : 0));
  }
  const outside = out.map((flag) => 1 - flag);
  const away = distanceInside(outside, w, h, { openX: true, openY: true });
  return out.map((flag, i) => (flag || away[i] <= -insetPx ? 1 : 0));
}
