/** The body of a relief: height from the silhouette and its parts, without looking at tone. */
import { blurred } from '../raster/blur';
import { nearestSites, type Beyond } from '../raster/distance';
import { doubled, halved, tapped } from '../raster/pyramid';
import { depthInside } from './edge-distance';
import { solvePoisson } from './multigrid';
import type { Recipe } from './recipe';
import type { Silhouette } from './silhouette';
import type { Remember } from './workings';

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

/** What a body is made on. */
export interface BodyGround {
  silhouette: Silhouette;
  /** The parts, from 1 on; null where only the whole is asked for. */
  parts: Uint16Array | null;
  beyond: Beyond;
  pixelArt: boolean;
  remember: Remember;
}

/** @returns heights in px, 0 outside; null where there is no body */
export function bodyHeight(ground: BodyGround, body: Recipe['body']): Float32Array | null {
  if (body.kind === 'none') return null;
  const share = ground.parts === null ? 0 : body.partShare;
  const make = body.kind === 'bevel' ? bevelHeight : inflateHeight;
  const whole = share < 1 ? make({ ...ground, parts: null }, body) : null;
  const parts = share > 0 ? make(ground, body) : null;
  if (!whole || !parts) return whole ?? parts;
  for (let i = 0; i < whole.length; i++) whole[i] += share * (parts[i] - whole[i]);
  return whole;
}

/** Height by distance from the silhouette, or from the border of its part, through a profile. */
function bevelHeight(ground: BodyGround, body: Recipe['body']): Float32Array {
  const { width, height, inside } = ground.silhouette;
  const depth = ground.parts === null ? wholeDepth(ground, body.widthPx) : partDepth(ground, ground.parts);
  const out = new Float32Array(width * height);
  for (let i = 0; i < out.length; i++) {
    if (!inside[i]) continue;
    const d = Math.max(0, depth[i]);
    out[i] = d >= body.widthPx ? body.heightPx : body.heightPx * profileAt(body.profile, d / body.widthPx);
  }
  return out;
}

function wholeDepth({ silhouette, beyond, pixelArt, remember }: BodyGround, mostPx: number): Float32Array {
  return remember('depth', [silhouette, beyond.openX, beyond.openY, pixelArt, mostPx], () => {
    const { depth, isSoft } = depthInside(silhouette, beyond, mostPx);
    // Distances from stairs have stairs of their own; paint has none.
    if (isSoft || pixelArt) return depth;
    return blurred(depth, silhouette.inside, silhouette.width, silhouette.height, 1);
  });
}

function partDepth(
  { silhouette, beyond, pixelArt, remember }: BodyGround,
  labels: Uint16Array,
): Float32Array {
  return remember('depth in parts', [labels, beyond.openX, beyond.openY, pixelArt], () => {
    const depth = depthInParts(silhouette, labels, beyond);
    return pixelArt ? depth : blurred(depth, silhouette.inside, silhouette.width, silhouette.height, 1);
  });
}

/** Distance from where another part begins: half a pixel farther than to the nearest pixel that touches one. */
function depthInParts({ width, height }: Silhouette, labels: Uint16Array, beyond: Beyond): Float32Array {
  const rims = new Uint8Array(labels.length);
  const differs = (i: number, x: number, y: number, open: boolean) => {
    if (x < 0 || y < 0 || x >= width || y >= height) return !open;
    return labels[y * width + x] !== labels[i];
  };
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (labels[i] === 0) continue;
      const isRim =
        differs(i, x - 1, y, beyond.openX) ||
        differs(i, x + 1, y, beyond.openX) ||
        differs(i, x, y - 1, beyond.openY) ||
        differs(i, x, y + 1, beyond.openY);
      if (isRim) rims[i] = 1;
    }
  }
  const nearest = nearestSites(rims, width, height);
  const out = new Float32Array(labels.length);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (labels[i] === 0) continue;
      const site = nearest[i];
      if (site < 0) {
        out[i] = width + height;
        continue;
      }
      const sx = site % width;
      const dx = sx - x;
      const dy = (site - sx) / width - y;
      out[i] = Math.sqrt(dx * dx + dy * dy) + 0.5;
    }
  }
  return out;
}

/** Bounds of the bend: a dome bends in both directions (2), a limb in one (4). */
const DOME_BEND = 2;
const LIMB_BEND = 4;
/** Right-hand side of the Poisson equation: then a half cylinder of radius r has u = 2 (r^2 - d^2). */
const LOAD = 4;

/**
 * Blows the silhouette up, or each part for itself: a disc becomes a hemisphere, a limb half a cylinder.
 * h = fullness * sqrt(2 u / k), with u the potential and k its stronger bend; without the division a limb would be
 * 41 % too tall.
 */
function inflateHeight(
  { silhouette, parts, beyond, remember }: BodyGround,
  body: Recipe['body'],
): Float32Array {
  const of = [silhouette, parts, beyond.openX, beyond.openY];
  const full = remember(parts ? 'full parts' : 'full', of, () => fullShape(silhouette, parts, beyond));
  const out = new Float32Array(full.length);
  for (let i = 0; i < out.length; i++) out[i] = body.fullness * full[i];
  return out;
}

function fullShape(
  { width, height, alpha, inside }: Silhouette,
  parts: Uint16Array | null,
  beyond: Beyond,
): Float32Array {
  const out = new Float32Array(width * height);
  const labels = parts ?? Uint16Array.from(inside);
  // A tile that is of one piece and goes on all round has nothing to be blown up from.
  if (beyond.openX && beyond.openY && labels.every((label) => label === labels[0])) return out;
  const u = solvePoisson({ width, height, labels, alpha, border: 'zero', ...beyond }, LOAD);
  const bend = strongerBend(labels, u, width, height);
  for (let i = 0; i < out.length; i++) {
    if (u[i] > 0) out[i] = Math.sqrt((2 * u[i]) / bend[i]);
  }
  return out;
}

/** The larger eigenvalue of minus the Hessian of u, held within 2..4, smoothed over some two px with the weight u. */
function strongerBend(labels: Uint16Array, u: Float32Array, width: number, height: number): Float32Array {
  const weighted = new Float32Array(u.length);
  const weight = new Float32Array(u.length);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      const own = labels[i];
      if (own === 0 || u[i] <= 0) continue;
      // Differences must not reach over a border.
      if (labels[i - 1] !== own || labels[i + 1] !== own) continue;
      if (labels[i - width] !== own || labels[i + width] !== own) continue;
      if (labels[i - width - 1] !== own || labels[i - width + 1] !== own) continue;
      if (labels[i + width - 1] !== own || labels[i + width + 1] !== own) continue;
      const xx = u[i - 1] - 2 * u[i] + u[i + 1];
      const yy = u[i - width] - 2 * u[i] + u[i + width];
      const xy = (u[i + width + 1] - u[i + width - 1] - u[i - width + 1] + u[i - width - 1]) / 4;
      const half = Math.sqrt(((xx - yy) / 2) * ((xx - yy) / 2) + xy * xy);
      const k = Math.min(LIMB_BEND, Math.max(DOME_BEND, half - (xx + yy) / 2));
      weighted[i] = k * u[i];
      weight[i] = u[i];
    }
  }
  const level = { width, height, sums: weighted, shares: weight };
  const { sums, shares } = doubled(tapped(halved(level), 0.25), width, height);
  // Where nothing deep is near, the shape is thin: a limb.
  for (let i = 0; i < sums.length; i++) {
    const k = shares![i] > 0 ? sums[i] / shares![i] : LIMB_BEND;
    sums[i] = k < DOME_BEND ? DOME_BEND : k > LIMB_BEND ? LIMB_BEND : k;
  }
  return sums;
}
