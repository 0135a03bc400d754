/**
 * PNG at the door. `fast-png` does the coding; this module decides what is let in, names what is wrong in words,
 * brings every colour type to 8-bit RGBA, and writes maps without colour management.
 */
import { convertIndexedToRgb, decode, encode, type DecodedPng } from 'fast-png';
import { Inflate, unzlibSync, zlibSync } from 'fflate';
import { InputFault, wordsOf } from '../faults';
import { LIMITS } from '../limits';
import { concatenated } from './bytes';
import type { HeightPicture } from './height-picture';
import { checkImage, type Image } from './image';
import { crc32, pngChunk, PNG_SIGNATURE } from './png-chunks';

export interface PngFacts {
  width: number;
  height: number;
  depth: number;
  /** PNG colour type: 0 grey, 2 RGB, 3 palette, 4 grey and alpha, 6 RGBA. */
  colourType: number;
  interlaced: boolean;
}

const CHANNELS: Record<number, number> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };
const DEPTHS: Record<number, number[]> = {
  0: [1, 2, 4, 8, 16],
  2: [8, 16],
  3: [1, 2, 4, 8],
  4: [8, 16],
  6: [8, 16],
};

/** The chunks that decide the pixels; all others (text, profiles, gamma, animation) are passed over. */
interface PngFrame {
  facts: PngFacts;
  palette: Uint8Array | null;
  transparency: Uint8Array | null;
  data: Uint8Array[];
}

/**
 * Reads the frame of a PNG without decoding its pixels: signature, header, every chunk's bounds and checksum, and
 * that the pixel data unpacks to exactly the size that the header promises (counted as it streams, so that a file
 * that would unpack to gigabytes is stopped early).
 * @throws InputFault in words
 */
export function inspectPng(bytes: Uint8Array): PngFacts {
  return readFrame(bytes).facts;
}

/**
 * The size of a picture as its header says it; nothing else of the file is looked at.
 * @throws InputFault where it does not begin as a PNG file does
 */
export function pngSize(bytes: Uint8Array): { width: number; height: number } {
  const isPng = PNG_SIGNATURE.every((b, i) => bytes[i] === b) && bytes.length >= HEADER_END;
  if (!isPng) throw new InputFault('This is not a PNG file.');
  const { width, height } = readHeader(bytes.subarray(16, HEADER_END));
  return { width, height };
}

/** Where the data of the first chunk, which is the header, ends. */
const HEADER_END = 29;

function readFrame(bytes: Uint8Array): PngFrame {
  if (bytes.length > LIMITS.pictureBytes) {
    throw new InputFault(
      `The file has ${megabytes(bytes.length)}; at most ${megabytes(LIMITS.pictureBytes)} are taken.`,
    );
  }
  if (!PNG_SIGNATURE.every((b, i) => bytes[i] === b)) throw new InputFault('This is not a PNG file.');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const data: Uint8Array[] = [];
  let facts: PngFacts | null = null;
  let palette: Uint8Array | null = null;
  let transparency: Uint8Array | null = null;
  for (let at = 8, ended = false; !ended;) {
    if (at + 12 > bytes.length) throw new InputFault('The PNG file is cut off.');
    const length = view.getUint32(at);
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (at + 12 + length > bytes.length)
      throw new InputFault(`The PNG file is cut off within its ${type} chunk.`);
    if (crc32(bytes.subarray(at + 4, at + 8 + length)) !== view.getUint32(at + 8 + length)) {
      throw new InputFault(`The PNG file is damaged: the checksum of its ${type} chunk is wrong.`);
    }
    const body = bytes.subarray(at + 8, at + 8 + length);
    if (type === 'IHDR') facts = readHeader(body);
    else if (facts === null) throw new InputFault('The PNG file does not begin with its header.');
    else if (type === 'PLTE') palette = body;
    else if (type === 'tRNS') transparency = body;
    else if (type === 'IDAT') data.push(body);
    else if (type === 'IEND') ended = true;
    at += 12 + length;
  }
  if (facts === null || data.length === 0) throw new InputFault('The PNG file holds no picture.');
  if (facts.colourType === 3 && palette === null) {
    throw new InputFault('The PNG file has a palette picture without a palette.');
  }
  checkUnpackedSize(data, rawSize(facts));
  return { facts, palette, transparency, data };
}

function readHeader(body: Uint8Array): PngFacts {
  if (body.length !== 13) throw new InputFault('The PNG header has a wrong length.');
  const view = new DataView(body.buffer, body.byteOffset, body.byteLength);
  const [width, height, depth, colourType] = [view.getUint32(0), view.getUint32(4), body[8], body[9]];
  if (!DEPTHS[colourType]?.includes(depth) || body[10] !== 0 || body[11] !== 0 || body[12] > 1) {
    throw new InputFault(
      `The PNG header names an unknown kind of picture (colour type ${colourType}, ${depth} bit).`,
    );
  }
  if (width === 0 || height === 0) throw new InputFault(`The picture is empty (${width} x ${height} px).`);
  if (width > LIMITS.pictureSidePx || height > LIMITS.pictureSidePx) {
    const side = LIMITS.pictureSidePx;
    throw new InputFault(`The picture has ${width} x ${height} px; at most ${side} x ${side} are taken.`);
  }
  return { width, height, depth, colourType, interlaced: body[12] === 1 };
}

/** Passes of an interlaced picture: first column, first row, column step, row step (PNG specification, 8.2). */
const PASSES = [
  [0, 0, 8, 8],
  [4, 0, 8, 8],
  [0, 4, 4, 8],
  [2, 0, 4, 4],
  [0, 2, 2, 4],
  [1, 0, 2, 2],
  [0, 1, 1, 2],
];

function rowBytes({ depth, colourType }: PngFacts, columns: number): number {
  return columns === 0 ? 0 : 1 + Math.ceil((columns * depth * CHANNELS[colourType]) / 8);
}

function passSize({ width, height }: PngFacts, [x, y, dx, dy]: number[]): { width: number; height: number } {
  return {
    width: Math.max(0, Math.ceil((width - x) / dx)),
    height: Math.max(0, Math.ceil((height - y) / dy)),
  };
}

function rawSize(facts: PngFacts): number {
  if (!facts.interlaced) return rowBytes(facts, facts.width) * facts.height;
  return PASSES.reduce((sum, pass) => {
    const { width, height } = passSize(facts, pass);
    return sum + rowBytes(facts, width) * height;
  }, 0);
}

/** Bytes handed to the inflater at once: bounds what one step can unpack to (at most about 1032 times as much). */
const INFLATE_STEP = 16 * 1024;

function checkUnpackedSize(parts: readonly Uint8Array[], expected: number): void {
  let size = 0;
  const inflate = new Inflate((chunk) => {
    size += chunk.length;
    if (size > expected) throw new InputFault('The PNG file unpacks to more than its header says.');
  });
  try {
    let first = true;
    for (const part of parts) {
      for (let at = 0; at < part.length; at += INFLATE_STEP) {
        const from = first ? Math.min(2, part.length) : 0;
        inflate.push(part.subarray(at === 0 ? from : at, at + INFLATE_STEP));
        first = false;
      }
    }
  } catch (cause) {
    if (cause instanceof InputFault) throw cause;
    throw new InputFault(`The pixels of the PNG file are damaged (${wordsOf(cause)}).`, null, { cause });
  }
  if (size !== expected) throw new InputFault('The pixels of the PNG file are cut off.');
}

/** A decoded picture, and how deep it was in its file. */
export interface DecodedPicture {
  image: Image;
  facts: PngFacts;
}

/**
 * Any PNG to 8-bit straight RGBA. 16 bit values are brought to 8 by rounding, grey is repeated, palettes and
 * transparent colours are resolved; no colour management.
 * @throws InputFault in words
 */
export function decodePng(bytes: Uint8Array): DecodedPicture {
  const frame = readFrame(bytes);
  try {
    const packed = frame.facts.interlaced && frame.facts.depth < 8;
    return { image: packed ? decodePasses(frame) : decodeFrame(frame), facts: frame.facts };
  } catch (cause) {
    if (cause instanceof InputFault) throw cause;
    throw new InputFault(`The PNG file is damaged (${wordsOf(cause)}).`, null, { cause });
  }
}

/**
 * Any PNG to 16-bit grey: the first channel of colours, palettes by their red. What has 8 bit is spread over 16.
 * @throws InputFault in words
 */
export function decodeGrey16(bytes: Uint8Array): HeightPicture {
  const frame = readFrame(bytes);
  const { width, height, depth, colourType } = frame.facts;
  const values = new Uint16Array(width * height);
  if (depth === 16) {
    const channels = CHANNELS[colourType];
    const { data } = decode(assembled(frame), { checkCrc: false });
    for (let i = 0; i < values.length; i++) values[i] = data[i * channels];
  } else {
    const { image } = decodePng(bytes);
    for (let i = 0; i < values.length; i++) values[i] = image.data[4 * i] * 257;
  }
  return { width, height, values };
}

/** fast-png takes packed samples for whole bytes where a picture is interlaced: each pass is a picture of its own. */
function decodePasses(frame: PngFrame): Image {
  const { facts } = frame;
  const raw = unzlibSync(concatenated(frame.data));
  const data = new Uint8Array(facts.width * facts.height * 4);
  let at = 0;
  for (const pass of PASSES) {
    const size = passSize(facts, pass);
    const bytes = rowBytes(facts, size.width) * size.height;
    if (bytes === 0) continue;
    const part = decodeFrame({
      ...frame,
      facts: { ...facts, ...size, interlaced: false },
      data: [zlibSync(raw.subarray(at, at + bytes), { level: 0 })],
    });
    at += bytes;
    const [x0, y0, dx, dy] = pass;
    for (let y = 0; y < size.height; y++) {
      for (let x = 0; x < size.width; x++) {
        const from = 4 * (y * size.width + x);
        data.set(part.data.subarray(from, from + 4), 4 * ((y0 + y * dy) * facts.width + x0 + x * dx));
      }
    }
  }
  return { width: facts.width, height: facts.height, data };
}

function decodeFrame(frame: PngFrame): Image {
  const { facts } = frame;
  const png = decode(assembled(frame), { checkCrc: false });
  const { width, height } = facts;
  const data = new Uint8Array(width * height * 4);
  if (facts.colourType === 3) {
    // The palette's own alpha, where it has one, makes the colours RGBA.
    const colours = convertIndexedToRgb(png);
    const channels = colours.length / (width * height);
    for (let i = 0; i < width * height; i++) {
      for (let c = 0; c < 3; c++) data[4 * i + c] = colours[channels * i + c];
      data[4 * i + 3] = channels === 4 ? colours[channels * i + 3] : 255;
    }
    return { width, height, data };
  }
  const channels = CHANNELS[facts.colourType];
  const values = unpackedValues(png, facts);
  const top = facts.depth === 16 ? 65535 : (1 << facts.depth) - 1;
  const toByte = (v: number) => Math.floor((v * 255) / top + 0.5);
  const colours = channels >= 3 ? 3 : 1;
  const clear = channels === colours ? clearSample(frame, colours) : null;
  for (let i = 0; i < width * height; i++) {
    const from = i * channels;
    for (let c = 0; c < 3; c++) data[4 * i + c] = toByte(values[from + (colours === 3 ? c : 0)]);
    const isClear = clear !== null && clear.every((v, c) => values[from + c] === v);
    data[4 * i + 3] = channels > colours ? toByte(values[from + colours]) : isClear ? 0 : 255;
  }
  return { width, height, data };
}

/** The one grey or colour that a file without an alpha channel declares to be transparent. */
function clearSample({ transparency }: PngFrame, colours: number): number[] | null {
  if (transparency === null || transparency.length < 2 * colours) return null;
  return Array.from({ length: colours }, (_, c) => (transparency[2 * c] << 8) | transparency[2 * c + 1]);
}

/** A PNG file of the chunks that decide the pixels alone. */
function assembled({ facts, palette, transparency, data }: PngFrame): Uint8Array {
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, facts.width);
  view.setUint32(4, facts.height);
  header.set([facts.depth, facts.colourType, 0, 0, facts.interlaced ? 1 : 0], 8);
  const chunks = [PNG_SIGNATURE, pngChunk('IHDR', header)];
  if (palette) chunks.push(pngChunk('PLTE', palette));
  if (transparency && facts.colourType === 3) chunks.push(pngChunk('tRNS', transparency));
  for (const part of data) chunks.push(pngChunk('IDAT', part));
  chunks.push(pngChunk('IEND', new Uint8Array(0)));
  return concatenated(chunks);
}

/** One value a sample; depths below 8 come packed, each row begun on a byte. */
function unpackedValues(png: DecodedPng, { width, height, depth }: PngFacts): ArrayLike<number> {
  if (depth >= 8) return png.data;
  const stride = Math.ceil((width * depth) / 8);
  const out = new Uint8Array(width * height);
  const mask = (1 << depth) - 1;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const bit = x * depth;
      out[y * width + x] = (png.data[y * stride + (bit >> 3)] >> (8 - depth - (bit & 7))) & mask;
    }
  }
  return out;
}

/** 8-bit RGBA, straight alpha, no colour profile and no gamma. `text` becomes tEXt chunks. */
export function encodePng(image: Image, text: Record<string, string> = {}): Uint8Array {
  checkImage(image);
  return encode({ ...image, channels: 4, depth: 8, text });
}

/** 16-bit grey, for heights. */
export function encodeGrey16(
  width: number,
  height: number,
  data: Uint16Array,
  text: Record<string, string> = {},
): Uint8Array {
  return encode({ width, height, data, channels: 1, depth: 16, text });
}

function megabytes(bytes: number): string {
  return `${(bytes / 1024 / 1024).toFixed(1)} MB`;
}
