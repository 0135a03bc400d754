/** From height to normals: slopes, painted facings over them, snapped facings, and the bytes of the map. */
import { atan2, cos, sin } from '../geometry/exact';
import { NORMAL_BYTE_TO_VALUE } from '../light/terms/facing';
import { BAYER8 } from '../raster/bayer';
import type { Recipe } from './recipe';
import type { Rect } from '../raster/rect';
import { PADDING_PX, padOutward } from './padding';
import { eachSlope, type HeightField } from './slopes';

/** Given facings may lie along the picture's plane or behind it; slopes end before. */
export const STEEPEST_NZ = 0.05;

/** Facings set by hand: x and y of the unit normal in scene axes (y down), and how much of them counts. */
export interface FacingPaint {
  nx: Float32Array;
  ny: Float32Array;
  share: Float32Array;
}

export interface Surface extends HeightField {
  strength: number;
  paint: FacingPaint | null;
  facings: Recipe['facings'];
  /** Facings that were brought along, RGBA bytes, Y up; the heights are then what was added to them. */
  given: Uint8Array | null;
}

export type NormalMap<D extends 8 | 16> = D extends 8 ? Uint8Array : Uint16Array;

/** @returns RGBA values in tangent space, Y up, full alpha; flat beyond the padding */
export function normalsOf(surface: Surface): Uint8Array;
export function normalsOf<D extends 8 | 16>(surface: Surface, depth: D): NormalMap<D>;
export function normalsOf(surface: Surface, depth: 8 | 16 = 8): Uint8Array | Uint16Array {
  const { width, height } = surface;
  const out = depth === 8 ? new Uint8Array(width * height * 4) : new Uint16Array(width * height * 4);
  const top = depth === 8 ? 255 : 65535;
  const flat = depth === 8 ? 128 : 32768;
  for (let i = 0; i < out.length; i += 4) {
    out[i] = flat;
    out[i + 1] = flat;
    out[i + 2] = top;
    out[i + 3] = top;
  }
  writeNormals(surface, { left: 0, top: 0, right: width, bottom: height }, out, top / 2);
  if (surface.given) copyGivenOutside(surface.given, surface.inside, out, top);
  else padOutward(out, surface, PADDING_PX);
  return out;
}

/** Beyond the silhouette, where nothing is made, given facings are taken as they are. */
function copyGivenOutside(
  given: Uint8Array,
  inside: Uint8Array,
  out: Uint8Array | Uint16Array,
  top: number,
): void {
  for (let i = 0; i < inside.length; i++) {
    if (inside[i]) continue;
    for (let c = 4 * i; c < 4 * i + 3; c++)
      out[c] = top === 255 ? given[c] : (NORMAL_BYTE_TO_VALUE[given[c]] + 1) * (top / 2) + 0.5;
  }
}

/** Makes the normals of a part anew; padding stays as it was. */
export function updateNormals(surface: Surface, rect: Rect, out: Uint8Array): void {
  writeNormals(surface, rect, out, 255 / 2);
}

function writeNormals(surface: Surface, rect: Rect, out: Uint8Array | Uint16Array, half: number): void {
  const { strength, paint, facings, width, given } = surface;
  const snaps = facings.directions > 0 || facings.tilts > 0;
  const n = new Float64Array(3);
  eachSlope(surface, rect, (i, across, down) => {
    const p = 4 * i;
    const isPainted = paint !== null && paint.share[i] > 0;
    let nx = -strength * across;
    let ny = -strength * down;
    let nz = 1;
    if (given) {
      if (across === 0 && down === 0 && !isPainted && !snaps && half < 128) {
        for (let c = 0; c < 3; c++) out[p + c] = given[p + c];
        return;
      }
      // The added slopes lie on the given surface.
      nz = Math.max(STEEPEST_NZ, NORMAL_BYTE_TO_VALUE[given[p + 2]]);
      nx = nx * nz + NORMAL_BYTE_TO_VALUE[given[p]];
      ny = ny * nz - NORMAL_BYTE_TO_VALUE[given[p + 1]];
    }
    const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
    nx /= length;
    ny /= length;
    nz /= length;
    if (isPainted || snaps) {
      n[0] = nx;
      n[1] = ny;
      n[2] = nz;
      if (isPainted) mixPaint(paint!, i, n);
      if (snaps) snap(n, facings, i % width, (i / width) | 0);
      [nx, ny, nz] = n;
    }
    // Truncation rounds down, for what is stored is never below zero. The file's green points up.
    out[p] = (nx + 1) * half + 0.5;
    out[p + 1] = (1 - ny) * half + 0.5;
    out[p + 2] = (nz + 1) * half + 0.5;
  });
}

function mixPaint({ nx, ny, share }: FacingPaint, i: number, n: Float64Array): void {
  const s = share[i];
  const pz = Math.sqrt(Math.max(0, 1 - nx[i] * nx[i] - ny[i] * ny[i]));
  n[0] += s * (nx[i] - n[0]);
  n[1] += s * (ny[i] - n[1]);
  n[2] += s * (pz - n[2]);
  const length = Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]) || 1;
  for (let c = 0; c < 3; c++) n[c] /= length;
}

/** Brings a facing to the nearest of a few directions and tilts; dithered between the two nearest if wanted. */
function snap(n: Float64Array, { directions, tilts, dither }: Recipe['facings'], x: number, y: number): void {
  const flatLength = Math.sqrt(n[0] * n[0] + n[1] * n[1]);
  if (flatLength === 0) return;
  const offset = dither ? (BAYER8[(y & 7) * 8 + (x & 7)] + 0.5) / 64 : 0.5;
  let direction = atan2(n[1], n[0]);
  let tilt = atan2(flatLength, n[2]);
  if (directions > 0) {
    const step = (2 * Math.PI) / directions;
    // The first and the last direction are one.
    direction = ((Math.floor(direction / step + offset) + directions) % directions) * step;
  }
  if (tilts > 0) {
    const step = Math.PI / 2 / tilts;
    // A facing along the picture's plane would take no light from its front.
    tilt = Math.min(tilts - 1, Math.floor(tilt / step + offset)) * step;
  }
  const across = sin(tilt);
  n[0] = across * withoutDust(cos(direction));
  n[1] = across * withoutDust(sin(direction));
  n[2] = cos(tilt);
}

/** A sine of a whole turn is not quite nothing, and would tip a byte. */
function withoutDust(v: number): number {
  return Math.abs(v) < 1e-9 ? 0 : v;
}
