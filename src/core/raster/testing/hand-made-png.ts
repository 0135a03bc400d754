/** PNG files written chunk by chunk, for kinds that the encoder does not make and for files that are no good. */
import { crc32 } from 'node:zlib';
import { zlibSync } from 'fflate';

const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10];

const word = (v: number): number[] => [(v >>> 24) & 255, (v >>> 16) & 255, (v >>> 8) & 255, v & 255];

function chunk(type: string, body: ArrayLike<number>): number[] {
  const inner = [...Buffer.from(type, 'latin1'), ...Array.from(body)];
  return [...word(body.length), ...inner, ...word(crc32(Uint8Array.from(inner)))];
}

/**
 * @param header width, height, bits of a sample, colour type, interlace method
 * @param raw the scanlines, each with the byte of its filter before it
 * @param extra chunks between the header and the pixels
 */
export function handMadePng(
  [width, height, depth, type, interlace]: number[],
  raw: ArrayLike<number>,
  extra: [string, ArrayLike<number>][] = [],
): Uint8Array {
  return Uint8Array.from([
    ...SIGNATURE,
    ...chunk('IHDR', [...word(width), ...word(height), depth, type, 0, 0, interlace]),
    ...extra.flatMap(([name, body]) => chunk(name, body)),
    ...chunk('IDAT', zlibSync(Uint8Array.from(Array.from(raw)))),
    ...chunk('IEND', []),
  ]);
}

/** The same file with another width and height in its header, and the checksum that fits. */
export function withHeaderSize(file: Uint8Array, width: number, height: number): Uint8Array {
  const out = Uint8Array.from(file);
  const view = new DataView(out.buffer);
  view.setUint32(16, width);
  view.setUint32(20, height);
  view.setUint32(29, crc32(out.subarray(12, 29)));
  return out;
}
