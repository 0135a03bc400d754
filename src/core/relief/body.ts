/** The body of a relief: height from the silhouette alone, without looking at colours. */
import { blurred, NO_WRAP } from '../raster/blur';
import { distanceInside } from '../raster/distance';
import { inflatePotential } from './poisson';
import type { Recipe } from './recipe';

/** A silhouette: its coverage, and which pixels count as inside. */
export interface Silhouette {
  width: number;
  height: number;
  alpha: Uint8Array;
  inside: Uint8Array;
}

/** Terraces of the step profile. */
const STEPS = 3;

/** Share of the bevel's height at share t of its width, 0 at the silhouette and 1 at the width. */
export function profileAt(profile: Recipe['body']['profile'], t: number): number {
  const c = Math.min(1, Math.max(0, t));
  switch (profile) {
    case 'round':
      return Math.sqrt(1 - (1 - c) * (1 - c));
    case 'chamfer':
      return c;
    case 'cove':
      return 1 - Math.sqrt(1 - c * c);
    case 'step':
      return Math.min(1, Math.ceil(c * STEPS) / STEPS);
  }
}

/**
 * Height by distance from the silhouette, through a profile.
 * @param borderInside whether the art goes on beyond its border, as a seamless tile does
 * @param smooth whether binary edges are softened by a pixel, for painted art
 */
export function bevelHeight(
  { width, height, inside }: Silhouette,
  body: Recipe['body'],
  borderInside: boolean,
  smooth: boolean,
): Float32Array {
  let distance = distanceInside(inside, width, height, borderInside);
  if (smooth) distance = blurred(distance, inside, width, height, 1, NO_WRAP);
  const out = new Float32Array(width * height);
  for (let i = 0; i < out.length; i++) {
    if (!inside[i]) continue;
    // Half a pixel lies between the centre of a border pixel and the silhouette itself.
    const depth = Math.max(0, distance[i] - 0.5);
    out[i] = body.heightPx * profileAt(body.profile, depth / body.widthPx);
  }
  return out;
}

/** Bounds of the bend: a dome bends in both directions (2), a limb in one (4). */
const DOME_BEND = 2;
const LIMB_BEND = 4;
/** The bend is measured only this deep, where differences do not reach over the silhouette. */
const BEND_DEPTH_PX = 1.5;
const BEND_SMOOTH_PX = 2;

/**
 * Blows the silhouette up: a disc becomes a hemisphere, a limb half a cylinder. h = fullness * sqrt(2 u / k), with u
 * the potential and k its stronger bend; without the division a limb would be 41 % too tall.
 */
export function inflateHeight(silhouette: Silhouette, fullness: number): Float32Array {
  const { width, height, alpha, inside } = silhouette;
  const u = inflatePotential(alpha, width, height);
  const bend = strongerBend(silhouette, u);
  const out = new Float32Array(width * height);
  for (let i = 0; i < out.length; i++) if (inside[i]) out[i] = fullness * Math.sqrt((2 * u[i]) / bend[i]);
  return out;
}

/** The larger eigenvalue of minus the Hessian of u, held within 2..4, smoothed with the weight u. */
function strongerBend({ width, height, inside }: Silhouette, u: Float32Array): Float32Array {
  const depth = distanceInside(inside, width, height, false);
  const weighted = new Float32Array(u.length);
  const weight = new Float32Array(u.length);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      if (depth[i] <= BEND_DEPTH_PX) continue;
      const xx = u[i - 1] - 2 * u[i] + u[i + 1];
      const yy = u[i - width] - 2 * u[i] + u[i + width];
      const xy = (u[i + width + 1] - u[i + width - 1] - u[i - width + 1] + u[i - width - 1]) / 4;
      const half = Math.sqrt(((xx - yy) / 2) * ((xx - yy) / 2) + xy * xy);
      const k = Math.min(LIMB_BEND, Math.max(DOME_BEND, half - (xx + yy) / 2));
      weighted[i] = k * u[i];
      weight[i] = u[i];
    }
  }
  const top = blurred(weighted, null, width, height, BEND_SMOOTH_PX, NO_WRAP);
  const below = blurred(weight, null, width, height, BEND_SMOOTH_PX, NO_WRAP);
  // Where nothing deep is near, the shape is thin: a limb.
  for (let i = 0; i < top.length; i++) top[i] = below[i] > 0 ? top[i] / below[i] : LIMB_BEND;
  return top;
}
