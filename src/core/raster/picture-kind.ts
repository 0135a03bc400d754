/** What kind of picture a file is, and how large, by its first bytes: before anything is unpacked. */
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import { PNG_SIGNATURE } from './png-chunks';

export type PictureKind = 'png' | 'apng' | 'gif' | 'webp' | 'jpeg';

const text = (bytes: Uint8Array, at: number, length: number) =>
  String.fromCharCode(...bytes.subarray(at, at + length));

/** @returns null where the file is none of them */
export function pictureKind(bytes: Uint8Array): PictureKind | null {
  if (PNG_SIGNATURE.every((b, i) => bytes[i] === b)) return isAnimatedPng(bytes) ? 'apng' : 'png';
  if (text(bytes, 0, 3) === 'GIF') return 'gif';
  if (text(bytes, 0, 4) === 'RIFF' && text(bytes, 8, 4) === 'WEBP') return 'webp';
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'jpeg';
  return null;
}

/** The chunk that says so stands before the first pixels. */
function isAnimatedPng(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 8; at + 12 <= bytes.length; at += 12 + view.getUint32(at)) {
    const type = text(bytes, at + 4, 4);
    if (type === 'acTL') return true;
    if (type === 'IDAT' || type === 'IEND') return false;
  }
  return false;
}

interface Size {
  width: number;
  height: number;
}

/**
 * The size that the header of a WebP or JPEG file names.
 * @throws InputFault where there is none, or it is more than is taken
 */
export function headerSize(bytes: Uint8Array, kind: 'webp' | 'jpeg'): Size {
  const size = kind === 'webp' ? webpSize(bytes) : jpegSize(bytes);
  const name = kind === 'webp' ? 'WebP' : 'JPEG';
  if (!size) throw new InputFault(`The ${name} file is damaged or cut off: it has no header.`);
  checkSide(size);
  return size;
}

/** @throws InputFault naming both sizes */
export function checkSide({ width, height }: Size): void {
  const side = LIMITS.pictureSidePx;
  if (width === 0 || height === 0) throw new InputFault(`The picture is empty (${width} x ${height} px).`);
  if (width > side || height > side)
    throw new InputFault(`The picture has ${width} x ${height} px; at most ${side} x ${side} are taken.`);
}

/** WebP container (RFC 9649): plain, lossless or extended. */
function webpSize(bytes: Uint8Array): Size | null {
  if (bytes.length < 30) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const three = (at: number) => bytes[at] | (bytes[at + 1] << 8) | (bytes[at + 2] << 16);
  switch (text(bytes, 12, 4)) {
    case 'VP8X':
      return { width: three(24) + 1, height: three(27) + 1 };
    case 'VP8L': {
      const bits = view.getUint32(21, true);
      return { width: (bits & 0x3fff) + 1, height: ((bits >>> 14) & 0x3fff) + 1 };
    }
    case 'VP8 ':
      return { width: view.getUint16(26, true) & 0x3fff, height: view.getUint16(28, true) & 0x3fff };
    default:
      return null;
  }
}

/** The start of frame of a JPEG file (ITU T.81, B.2.2). */
function jpegSize(bytes: Uint8Array): Size | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 2; at + 9 <= bytes.length;) {
    if (bytes[at] !== 0xff) return null;
    const marker = bytes[at + 1];
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame) return { height: view.getUint16(at + 5), width: view.getUint16(at + 7) };
    if (marker === 0xff) at++;
    else at += 2 + view.getUint16(at + 2);
  }
  return null;
}
