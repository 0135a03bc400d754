/**
 * Writes PNG files of any depth that maps need, without colour management. Filtering is done here; compression is the
 * host's own (zlib in Node, a compression stream in the browser), which is many times as fast as one in the language.
 */
import { concatenated } from './bytes';
import type { Image } from './image';
import { pngChunk, PNG_SIGNATURE } from './png-chunks';

/** Zlib-wrapped deflate of the host. */
export type Deflate = (bytes: Uint8Array) => Promise<Uint8Array> | Uint8Array;

export type Channels = 1 | 3 | 4;

export interface Raster {
  width: number;
  height: number;
  channels: Channels;
  /** 8-bit or 16-bit values, row by row, channels side by side. */
  data: Uint8Array | Uint16Array;
}

/** PNG colour type by channels: grey, RGB, RGBA. */
const COLOUR_TYPES: Record<Channels, number> = { 1: 0, 3: 2, 4: 6 };

/**
 * @param text keys and words of text chunks, Latin 1
 * @returns the file's bytes
 */
export async function writePng(
  raster: Raster,
  text: Record<string, string>,
  deflate: Deflate,
): Promise<Uint8Array> {
  const { width, height, channels, data } = raster;
  if (data.length !== width * height * channels) {
    throw new RangeError(
      `expected ${width * height * channels} values for ${width}x${height}x${channels}, got ${data.length}`,
    );
  }
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  header.set([data instanceof Uint16Array ? 16 : 8, COLOUR_TYPES[channels], 0, 0, 0], 8);
  const chunks = [PNG_SIGNATURE, pngChunk('IHDR', header)];
  for (const [key, words] of Object.entries(text)) chunks.push(pngChunk('tEXt', latin1(`${key}\0${words}`)));
  chunks.push(pngChunk('IDAT', await deflate(filtered(raster))), pngChunk('IEND', new Uint8Array(0)));
  return concatenated(chunks);
}

/** A picture without its alpha, as a file. */
export function opaquePng(picture: Image, deflate: Deflate): Promise<Uint8Array> {
  return writePng(withoutAlpha(picture), {}, deflate);
}

/** The filtered rows of a picture without its alpha: what is deflated. */
export function opaqueRows(picture: Image): Uint8Array {
  return filtered(withoutAlpha(picture));
}

function withoutAlpha({ width, height, data }: Image): Raster {
  const rgb = new Uint8Array(3 * width * height);
  for (let from = 0, to = 0; to < rgb.length; from += 4, to += 3) {
    rgb[to] = data[from];
    rgb[to + 1] = data[from + 1];
    rgb[to + 2] = data[from + 2];
  }
  return { width, height, channels: 3, data: rgb };
}

function latin1(text: string): Uint8Array {
  return Uint8Array.from(text, (c) => Math.min(255, c.charCodeAt(0)));
}

/** Rows with the filter that leaves the least: none, from the left, or from above (PNG specification, 9.2 and 12.8). */
function filtered({ width, height, channels, data }: Raster): Uint8Array {
  const wide = data instanceof Uint16Array;
  const step = channels * (wide ? 2 : 1);
  const length = width * step;
  const out = new Uint8Array((length + 1) * height);
  const bytes = wide ? bigEndian(data) : data;
  for (let y = 0; y < height; y++) {
    const row = y * length;
    const above = y === 0 ? -1 : row - length;
    let left = 0;
    let up = 0;
    // Every fourth byte tells enough of a row.
    for (let i = step; i < length; i += 4) {
      left += Math.abs(((bytes[row + i] - bytes[row + i - step]) << 24) >> 24);
      if (above >= 0) up += Math.abs(((bytes[row + i] - bytes[above + i]) << 24) >> 24);
    }
    let to = y * (length + 1);
    const fromAbove = above >= 0 && up <= left;
    out[to++] = fromAbove ? 2 : 1;
    if (fromAbove) for (let i = 0; i < length; i++) out[to + i] = bytes[row + i] - bytes[above + i];
    else {
      for (let i = 0; i < step && i < length; i++) out[to + i] = bytes[row + i];
      for (let i = step; i < length; i++) out[to + i] = bytes[row + i] - bytes[row + i - step];
    }
  }
  return out;
}

function bigEndian(data: Uint16Array): Uint8Array {
  const out = new Uint8Array(2 * data.length);
  for (let i = 0; i < data.length; i++) {
    out[2 * i] = data[i] >> 8;
    out[2 * i + 1] = data[i];
  }
  return out;
}
