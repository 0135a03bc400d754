/**
 * What drifts over a scene: a seamless tile of noise, or one of a person's own, read at two scales so that it does not visibly
 * repeat. The tile is made once here, and both renderers read it. Its GLSL twin stands beside it in drift.glsl.ts.
 */
import { hash01 } from '../time/noise';
import type { MomentDrift, PicturePixels } from '../moment/moment';
import { linearLuminance, SRGB_BYTE_TO_LINEAR } from '../raster/colour';
import { cos, sin } from '../geometry/exact';

/** A pattern that repeats without a seam; a byte a texel says how dense it is. */
export interface DriftTile {
  widthPx: number;
  heightPx: number;
  density: Uint8Array;
}

/** Texels along a side of a tile of noise, and cells of its coarsest lattice. */
const NOISE_PX = 128;
const COARSEST_CELLS = 4;
const OCTAVES = 3;
const FADES = 0.5;
/** The finer reading is so many times as small: no whole number, so that both never fall together. */
export const FINER = 2.618;
/** What the finer reading counts beside the coarser one; tiles of a person's own are read as they are. */
export const FINER_SHARE = 0.35;
/** The edge of a drift is at least so soft, or it would be jagged. */
const LEAST_SOFTNESS = 0.02;
/** So many tiles of noise are kept. */
const KEPT_TILES = 4;

/** Tiles by what they are made of. */
export class DriftTiles {
  private readonly noises = new Map<number, DriftTile>();
  private readonly own = new WeakMap<PicturePixels, DriftTile>();

  /** @param pixels of the picture of a drift that has one; null while it is not there */
  of({ picture, seed }: MomentDrift, pixels: PicturePixels | null): DriftTile | null {
    if (picture !== null) return pixels && this.ofPicture(pixels);
    let tile = this.noises.get(seed);
    if (!tile) {
      if (this.noises.size >= KEPT_TILES) this.noises.delete(this.noises.keys().next().value!);
      this.noises.set(seed, (tile = noiseTile(seed)));
    }
    return tile;
  }

  private ofPicture(pixels: PicturePixels): DriftTile {
    let tile = this.own.get(pixels);
    if (!tile) this.own.set(pixels, (tile = pictureTile(pixels)));
    return tile;
  }
}

/**
 * Gradient noise (Perlin 1985) on lattices that close over the tile, each finer one half as strong. Its values are spread
 * evenly from 0 to 255, so that a cover of a third lies on about a third.
 */
export function noiseTile(seed: number): DriftTile {
  const size = NOISE_PX;
  const values = new Float64Array(size * size);
  for (let octave = 0, cells = COARSEST_CELLS, strength = 1; octave < OCTAVES; octave++) {
    addNoise(values, size, cells, seed * OCTAVES + octave, strength);
    cells *= 2;
    strength *= FADES;
  }
  const order = Uint32Array.from(values.keys()).sort((a, b) => values[a] - values[b] || a - b);
  const density = new Uint8Array(size * size);
  order.forEach((at, rank) => (density[at] = Math.floor((rank / order.length) * 256)));
  return { widthPx: size, heightPx: size, density };
}

/** Adds one octave: a slope at each place of a lattice, and between four of them the eased mean of what they come to. */
function addNoise(values: Float64Array, size: number, cells: number, seed: number, strength: number): void {
  const slopeX = new Float64Array(cells * cells);
  const slopeY = new Float64Array(cells * cells);
  for (let i = 0; i < cells * cells; i++) {
    const angle = 2 * Math.PI * hash01(seed, i);
    slopeX[i] = cos(angle);
    slopeY[i] = sin(angle);
  }
  const eased = (t: number) => t * t * t * (t * (t * 6 - 15) + 10);
  for (let j = 0; j < size; j++) {
    const y = ((j + 0.5) / size) * cells;
    const row = Math.floor(y);
    const v = y - row;
    const down = eased(v);
    const upper = row * cells;
    const lower = ((row + 1) % cells) * cells;
    for (let i = 0; i < size; i++) {
      const x = ((i + 0.5) / size) * cells;
      const column = Math.floor(x);
      const u = x - column;
      const across = eased(u);
      const left = column;
      const right = (column + 1) % cells;
      const a = slopeX[upper + left] * u + slopeY[upper + left] * v;
      const b = slopeX[upper + right] * (u - 1) + slopeY[upper + right] * v;
      const c = slopeX[lower + left] * u + slopeY[lower + left] * (v - 1);
      const d = slopeX[lower + right] * (u - 1) + slopeY[lower + right] * (v - 1);
      const top = a + (b - a) * across;
      values[j * size + i] += strength * (top + (c + (d - c) * across - top) * down);
    }
  }
}

/** How dense a picture is: its luminance times its alpha, so that what is clear has no colour that could show at its edge. */
function pictureTile({ width, height, rgba }: PicturePixels): DriftTile {
  const density = new Uint8Array(width * height);
  for (let i = 0; i < density.length; i++) {
    const linear = linearLuminance([
      SRGB_BYTE_TO_LINEAR[rgba[4 * i]],
      SRGB_BYTE_TO_LINEAR[rgba[4 * i + 1]],
      SRGB_BYTE_TO_LINEAR[rgba[4 * i + 2]],
    ]);
    density[i] = Math.round(linear * rgba[4 * i + 3]);
  }
  return { widthPx: width, heightPx: height, density };
}

/** How a wind moves a pattern: whole tiles in a loop, as many tiles away at a second. */
export function windTiles(windPx: number, tilePx: number, loopSeconds: number, seconds: number): number {
  const whole = Math.round((windPx * loopSeconds) / tilePx);
  const turns = (whole * (seconds / loopSeconds)) % 1;
  return turns < 0 ? turns + 1 : turns;
}

/** Where a pattern begins and is fully there, by its cover: 0 is nowhere, 1 is everywhere. */
export function driftEdges(cover: number, softness: number): { low: number; high: number } {
  const soft = Math.max(LEAST_SOFTNESS, softness);
  // Exactly 1 where the cover is 0, whatever the softness.
  const low = 1 - cover - cover * soft;
  return { low, high: low + soft };
}

/**
 * How dense a drift is at a place.
 * @param x,y the place in px of its plane
 * @returns 0 to 1, before its strength
 */
export function driftAt(drift: MomentDrift, tile: DriftTile, x: number, y: number): number {
  const { perPx, offset, finerShare, low, high } = drift;
  const aspect = tile.widthPx / tile.heightPx;
  let value = readTile(tile, x * perPx - offset[0], y * perPx * aspect - offset[1]);
  if (finerShare > 0) {
    const finer = readTile(tile, x * perPx * FINER - offset[2], y * perPx * FINER * aspect - offset[3]);
    value += (finer - value) * finerShare;
  }
  const t = Math.min(1, Math.max(0, (value - low) / (high - low)));
  return t * t * (3 - 2 * t);
}

/** Between the four texels around a place, counted in tiles. */
function readTile({ widthPx, heightPx, density }: DriftTile, u: number, v: number): number {
  const x = (u - Math.floor(u)) * widthPx - 0.5;
  const y = (v - Math.floor(v)) * heightPx - 0.5;
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [fx, fy] = [x - x0, y - y0];
  const left = (x0 + widthPx) % widthPx;
  const right = (x0 + 1) % widthPx;
  const top = ((y0 + heightPx) % heightPx) * widthPx;
  const bottom = ((y0 + 1) % heightPx) * widthPx;
  const upper = density[top + left] * (1 - fx) + density[top + right] * fx;
  const lower = density[bottom + left] * (1 - fx) + density[bottom + right] * fx;
  return (upper * (1 - fy) + lower * fy) / 255;
}
