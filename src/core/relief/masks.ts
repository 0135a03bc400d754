/** The masks of a relief: how much of its edge catches a rim light, how open each place lies, what glows. */
import { cos, RADIANS_PER_DEGREE, sin, smoothstep01 } from '../geometry/exact';
import { ALL_CLOSED } from '../raster/distance';
import { doubled, halved, tapped, type Level } from '../raster/pyramid';
import { depthInside } from './edge-distance';
import type { Recipe } from './recipe';
import type { Silhouette } from './silhouette';
import type { MaskPaint } from './strokes/painted';

/** An edge that faces the viewer catches this much of what an upright one catches. */
const FLAT_SHARE = 0.4;
/** A rim's side reaches a little over a quarter turn. */
const SIDE_REACH = 0.25;

/**
 * @param normals RGBA bytes of the silhouette's size, Y up
 * @returns 0 to 255 a pixel
 */
export function rimMask(silhouette: Silhouette, normals: Uint8Array, rim: Recipe['rim']): Uint8Array {
  const { width, height, inside } = silhouette;
  const { depth } = depthInside(silhouette, ALL_CLOSED, rim.widthPx);
  const out = new Uint8Array(inside.length);
  const sideX = rim.sideDeg === null ? 0 : cos(rim.sideDeg * RADIANS_PER_DEGREE);
  const sideY = rim.sideDeg === null ? 0 : sin(rim.sideDeg * RADIANS_PER_DEGREE);
  // Hard to a pixel's width at 1, falling over the whole width at 0.
  const full = rim.widthPx * rim.hardness;
  const fall = Math.max(0.75, rim.widthPx - full);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!inside[i] || depth[i] >= full + fall) continue;
      const edge = 1 - smoothstep01((depth[i] - full) / fall);
      const upright = Math.min(1, (2 * (255 - normals[4 * i + 2])) / 127);
      let value = edge * (FLAT_SHARE + (1 - FLAT_SHARE) * upright);
      if (rim.sideDeg !== null) {
        const left = x > 0 ? depth[i - 1] : 0;
        const right = x < width - 1 ? depth[i + 1] : 0;
        const up = y > 0 ? depth[i - width] : 0;
        const down = y < height - 1 ? depth[i + width] : 0;
        const ox = left - right;
        const oy = up - down;
        const length = Math.sqrt(ox * ox + oy * oy);
        const toward = length === 0 ? 0 : (ox * sideX + oy * sideY) / length;
        value *= smoothstep01((toward + SIDE_REACH) / (1 + SIDE_REACH));
      }
      out[i] = Math.floor(255 * value + 0.5);
    }
  }
  return out;
}

/** Smoothings of about 1, 3, 6, 12 and 24 px; what lies below its surroundings at one of them is shut in. */
const OCCLUSION_LEVELS = 5;
/** How dark a slope of one over a level's width makes a place, at that level. */
const OCCLUSION_GAIN = 1.5;

/** @returns 255 where a place is open, less where it lies below what is around it */
export function occlusionMask(
  heights: Float32Array,
  inside: Uint8Array,
  width: number,
  height: number,
  strength: number,
): Uint8Array {
  const shares = new Float32Array(inside);
  const sums = heights.slice();
  for (let i = 0; i < sums.length; i++) if (!inside[i]) sums[i] = 0;
  const levels: Level[] = [tapped({ width, height, sums, shares }, 0.25)];
  for (let k = 1; k < OCCLUSION_LEVELS; k++) levels.push(tapped(halved(levels[k - 1]), 0.25));
  const shut = new Float32Array(heights.length);
  levels.forEach((level, k) => {
    let whole = level;
    for (let up = k - 1; up >= 0; up--) whole = doubled(whole, levels[up].width, levels[up].height);
    const reach = 1.5 * (1 << k);
    for (let i = 0; i < shut.length; i++) {
      if (!inside[i] || whole.shares![i] <= 0) continue;
      const below = whole.sums[i] / whole.shares![i] - heights[i];
      if (below > 0) shut[i] += (strength * below) / reach;
    }
  });
  return Uint8Array.from(shut, (s, i) =>
    inside[i] ? Math.floor(255 / (1 + OCCLUSION_GAIN * s) + 0.5) : 255,
  );
}

/** A mask with what was painted over it. */
export function withPaint(mask: Uint8Array, paint: MaskPaint | null): Uint8Array {
  if (!paint) return mask;
  return mask.map((own, i) => own + paint.share[i] * (255 * paint.value[i] - own) + 0.5);
}
