/**
 * Smaller levels of painted art. A sprite that is shown below half its size reads a picture that was halved exactly, so
 * often that it is shown at half of that or more: what lies between the places that are read would glitter otherwise. A texel
 * of a level is the mean over its block of the frame, premultiplied and in light space; facings are added up and brought to
 * unit length. Both renderers read the same levels, as bytes. Cost: one pass over the frame's texels, once.
 */
import { srgbEncode, type LightSpace } from '../raster/colour';
import type { MomentSprite, PicturePixels, View } from '../moment/moment';
import type { Rect } from '../raster/rect';
import { NORMAL_BYTE_TO_VALUE, normalByte, SHORTEST_NORMAL } from './terms/facing';
import { artValues } from './sample';

/** Frames of a picture, halved. */
export interface Level {
  pixels: PicturePixels;
  /** Left, top, and the size before it was halved, of each frame. */
  frames: Uint16Array;
  /** Texels of the level for a texel of the art, along either axis. */
  scale: number;
  /** Tells it from other levels of the same picture. */
  name: string;
}

/** A texel of the last level stands for a square of this side, or for the whole frame. */
const MOST_HALVINGS = 12;

/** How often the art of a sprite is halved before it is read: by its scale, and that of the picture. */
export function halvingsOf({ inverse: m }: MomentSprite, { outputPerScenePx }: View): number {
  const texels = Math.sqrt(Math.abs(m.a * m.d - m.b * m.c)) / outputPerScenePx;
  let count = 0;
  for (let left = texels; left > 2 && count < MOST_HALVINGS; left /= 2) count++;
  return count;
}

interface Known {
  pixels: PicturePixels;
  space: LightSpace;
  halvings: number;
  level: Level;
}

/** Levels by their pictures, and by the sprites that read them; each is made when it is first asked for. */
export class Levels {
  private readonly ofSprites = new WeakMap<MomentSprite, Known>();
  private readonly ofPictures = new WeakMap<PicturePixels, Map<string, Level>>();
  private encoder: Encoder | null = null;

  /** The level that a sprite reads where it is halved at least once. */
  of(sprite: MomentSprite, pixels: PicturePixels, halvings: number, space: LightSpace): Level {
    const known = this.ofSprites.get(sprite);
    if (known?.pixels === pixels && known.halvings === halvings && known.space === space) return known.level;
    const { left, top, right, bottom } = sprite.frame;
    const frames = sprite.grid?.frames ?? Uint16Array.of(left, top, right - left, bottom - top);
    const name = `${halvings} ${space} ${frames.join(' ')}`;
    let levels = this.ofPictures.get(pixels);
    if (!levels) this.ofPictures.set(pixels, (levels = new Map()));
    let level = levels.get(name);
    if (!level) {
      this.encoder ??= encoderTable();
      level = { ...halved(pixels, frames, halvings, space, this.encoder), name };
      levels.set(name, level);
    }
    this.ofSprites.set(sprite, { pixels, space, halvings, level });
    return level;
  }
}

/** Where a frame of a level lies in its picture. */
export function levelRect({ frames, scale }: Level, index: number): Rect {
  const [left, top, width, height] = frames.subarray(4 * index, 4 * index + 4);
  return {
    left,
    top,
    right: left + Math.ceil(width * scale),
    bottom: top + Math.ceil(height * scale),
  };
}

/**
 * Halves frames of a picture and lays them out anew.
 * @param frames left, top, width and height of each
 */
export function halved(
  pixels: PicturePixels,
  frames: Uint16Array,
  halvings: number,
  space: LightSpace,
  encoder: Encoder = encoderTable(),
): Omit<Level, 'name'> {
  const block = 1 << halvings;
  const byteOf =
    space === 'linear' ? (value: number) => encoder[Math.floor(value * STEPS + 0.5)] : displayToByte;
  const count = frames.length / 4;
  let [cellWidth, cellHeight] = [1, 1];
  for (let i = 0; i < count; i++) {
    cellWidth = Math.max(cellWidth, Math.ceil(frames[4 * i + 2] / block));
    cellHeight = Math.max(cellHeight, Math.ceil(frames[4 * i + 3] / block));
  }
  const columns = Math.max(1, Math.ceil(Math.sqrt(count)));
  const width = columns * cellWidth;
  const height = Math.max(1, Math.ceil(count / columns)) * cellHeight;
  const size = width * height;
  const out: PicturePixels = {
    width,
    height,
    rgba: new Uint8Array(4 * size),
    normal: pixels.normal && new Uint8Array(4 * size),
    glow: pixels.glow && new Uint8Array(size),
    rim: pixels.rim && new Uint8Array(size),
  };
  const laid = frames.slice();
  for (let i = 0; i < count; i++) {
    laid[4 * i] = (i % columns) * cellWidth;
    laid[4 * i + 1] = Math.floor(i / columns) * cellHeight;
    const [left, top, w, h] = frames.subarray(4 * i, 4 * i + 4);
    const from = { left, top, right: left + w, bottom: top + h };
    halveFrame(pixels, from, block, artValues(space), byteOf, out, laid[4 * i], laid[4 * i + 1]);
  }
  return { pixels: out, frames: laid, scale: 1 / block };
}

function halveFrame(
  { width, rgba, normal, glow, rim }: PicturePixels,
  { left, top, right, bottom }: Rect,
  block: number,
  values: Float64Array,
  byteOf: (value: number) => number,
  out: PicturePixels,
  outLeft: number,
  outTop: number,
): void {
  for (let y0 = top, row = outTop; y0 < bottom; y0 += block, row++) {
    const y1 = Math.min(bottom, y0 + block);
    for (let x0 = left, column = outLeft; x0 < right; x0 += block, column++) {
      const x1 = Math.min(right, x0 + block);
      let [r, g, b, alpha, nx, ny, nz, shine, edge] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
      for (let y = y0; y < y1; y++) {
        for (let x = x0, i = y * width + x0; x < x1; x++, i++) {
          const a = rgba[4 * i + 3];
          if (a === 0) continue;
          alpha += a;
          r += a * values[rgba[4 * i]];
          g += a * values[rgba[4 * i + 1]];
          b += a * values[rgba[4 * i + 2]];
          if (normal) {
            nx += a * NORMAL_BYTE_TO_VALUE[normal[4 * i]];
            ny += a * NORMAL_BYTE_TO_VALUE[normal[4 * i + 1]];
            nz += a * NORMAL_BYTE_TO_VALUE[normal[4 * i + 2]];
          }
          if (glow) shine += a * glow[i];
          if (rim) edge += a * rim[i];
        }
      }
      const at = row * out.width + column;
      if (out.normal) writeNormal(out.normal, 4 * at, nx, ny, nz, alpha);
      if (alpha === 0) continue;
      out.rgba[4 * at] = byteOf(r / alpha);
      out.rgba[4 * at + 1] = byteOf(g / alpha);
      out.rgba[4 * at + 2] = byteOf(b / alpha);
      out.rgba[4 * at + 3] = Math.floor(alpha / ((x1 - x0) * (y1 - y0)) + 0.5);
      if (out.glow) out.glow[at] = Math.floor(shine / alpha + 0.5);
      if (out.rim) out.rim[at] = Math.floor(edge / alpha + 0.5);
    }
  }
}

/** A sum of facings as bytes; straight up where it says nothing. */
function writeNormal(out: Uint8Array, at: number, x: number, y: number, z: number, alpha: number): void {
  const length = Math.sqrt(x * x + y * y + z * z);
  const isNothing = length === 0 || length < SHORTEST_NORMAL * alpha;
  out[at] = normalByte(isNothing ? 0 : x / length);
  out[at + 1] = normalByte(isNothing ? 0 : y / length);
  out[at + 2] = normalByte(isNothing ? 1 : z / length);
  out[at + 3] = 255;
}

function displayToByte(value: number): number {
  return Math.floor(value * 255 + 0.5);
}

/** Steps of the table of encoded bytes: at the dark end, where bytes lie closest, twenty of them make one. */
const STEPS = 65_536;
/** The byte of each step of a linear value. */
type Encoder = Uint8Array;

function encoderTable(): Encoder {
  return Uint8Array.from({ length: STEPS + 1 }, (_, i) => Math.floor(srgbEncode(i / STEPS) * 255 + 0.5));
}
