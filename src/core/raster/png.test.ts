import { encode } from 'fast-png';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputFault } from '../faults';
import { decodePng, encodeGrey16, encodePng, inspectPng } from './png';
import { handMadePng } from './testing/hand-made-png';

const image = (width: number, height: number) => ({
  width,
  height,
  data: Uint8Array.from({ length: width * height * 4 }, (_, i) => (i * 37 + (i >> 3) * 11) & 255),
});

describe('a PNG of any kind', () => {
  it('comes back exactly as it was written, alpha 0 included', () => {
    const picture = image(13, 7);
    expect(decodePng(encodePng(picture)).image).toEqual(picture);
  });

  it('comes back exactly when interlaced', () => {
    const picture = image(13, 11);
    const bytes = encode({ ...picture, channels: 4, depth: 8 }, { interlace: 'Adam7' });
    expect(inspectPng(bytes).interlaced).toBe(true);
    expect(decodePng(bytes).image).toEqual(picture);
  });

  it('is read from grey, grey with alpha and RGB', () => {
    expect([
      ...decodePng(encode({ width: 2, height: 1, data: Uint8Array.of(0, 200), channels: 1 })).image.data,
    ]).toEqual([0, 0, 0, 255, 200, 200, 200, 255]);
    expect([
      ...decodePng(encode({ width: 1, height: 1, data: Uint8Array.of(9, 77), channels: 2 })).image.data,
    ]).toEqual([9, 9, 9, 77]);
    expect([
      ...decodePng(encode({ width: 1, height: 1, data: Uint8Array.of(1, 2, 3), channels: 3 })).image.data,
    ]).toEqual([1, 2, 3, 255]);
  });

  it('is rounded from 16 bit to the nearest byte', () => {
    const data = Uint16Array.of(0, 128, 129, 65535, 257 * 40, 257 * 40 + 128, 65535, 32768);
    const decoded = decodePng(encode({ width: 2, height: 1, data, channels: 4, depth: 16 }));
    expect(decoded.facts.depth).toBe(16);
    expect([...decoded.image.data]).toEqual([0, 0, 1, 255, 40, 40, 255, 128]);
  });

  it('is read from a palette with transparency, two pixels a byte', () => {
    const bytes = handMadePng(
      [3, 1, 4, 3, 0],
      [0, 0x01, 0x20],
      [
        ['PLTE', [10, 20, 30, 40, 50, 60, 70, 80, 90]],
        ['tRNS', [0, 128]],
      ],
    );
    expect([...decodePng(bytes).image.data]).toEqual([10, 20, 30, 0, 40, 50, 60, 128, 70, 80, 90, 255]);
  });

  it('is read from an interlaced one-bit palette', () => {
    // 3 x 2: pass 1 holds (0,0); pass 4 (2,0); pass 6 (1,0); pass 7 the second row.
    const bytes = handMadePng(
      [3, 2, 1, 3, 1],
      [0, 0x80, 0, 0x00, 0, 0x80, 0, 0x60],
      [['PLTE', [1, 1, 1, 9, 9, 9]]],
    );
    const reds = [...decodePng(bytes).image.data].filter((_, i) => i % 4 === 0);
    expect(reds).toEqual([9, 9, 1, 1, 9, 9]);
  });

  it('honours a transparent colour without an alpha channel, even on a single pixel', () => {
    const bytes = handMadePng([1, 1, 8, 2, 0], [0, 5, 6, 7], [['tRNS', [0, 5, 0, 6, 0, 7]]]);
    expect([...decodePng(bytes).image.data]).toEqual([5, 6, 7, 0]);
  });

  it('scales two-bit grey to the whole range', () => {
    const bytes = handMadePng([4, 1, 2, 0, 0], [0, 0b00011011]);
    expect([...decodePng(bytes).image.data].filter((_, i) => i % 4 === 0)).toEqual([0, 85, 170, 255]);
  });

  it('keeps 16-bit grey heights exactly', () => {
    const heights = Uint16Array.of(0, 1, 40000, 65535);
    expect(inspectPng(encodeGrey16(2, 2, heights))).toMatchObject({ depth: 16, colourType: 0 });
  });
});

describe('a file that is no good', () => {
  const good = encodePng(image(9, 9));
  const fault = (bytes: Uint8Array) => {
    try {
      decodePng(bytes);
    } catch (thrown) {
      return thrown;
    }
    return null;
  };

  it.each([
    ['text called .png', new TextEncoder().encode('hello, lamp'), /not a PNG/],
    ['nothing at all', new Uint8Array(0), /not a PNG/],
    ['cut off', good.slice(0, good.length - 20), /cut off/],
    ['one bit turned', good.map((b, i) => (i === 60 ? b ^ 1 : b)), /checksum/],
    ['zero wide', handMadePng([0, 1, 8, 6, 0], [0]), /empty/],
    ['unknown depth', handMadePng([1, 1, 3, 6, 0], [0]), /unknown kind/],
    ['too few pixels', handMadePng([4, 4, 8, 6, 0], [0, 1, 2]), /cut off/],
    [
      'more than the header says',
      handMadePng([1, 1, 8, 0, 0], new Uint8Array(5_000_000)),
      /more than its header/,
    ],
    ['palette picture without palette', handMadePng([1, 1, 8, 3, 0], [0, 0]), /without a palette/],
    ['palette index out of range', handMadePng([1, 1, 8, 3, 0], [0, 7], [['PLTE', [1, 2, 3]]]), /damaged/],
  ])('is refused in words: %s', (_, bytes, words) => {
    expect(fault(bytes)).toBeInstanceOf(InputFault);
    expect(String(fault(bytes))).toMatch(words);
  });

  it('is refused above the size limit, naming both', () => {
    const wide = good.slice();
    new DataView(wide.buffer).setUint32(16, 8192);
    expect(String(fault(wide))).toMatch(/checksum/);
    const encoded = encode({ width: 4097, height: 1, data: new Uint8Array(4097), channels: 1 });
    expect(String(fault(encoded))).toMatch(/4097 x 1 px; at most 4096 x 4096/);
  });

  it('never crashes or hangs, whatever is changed in it', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { maxLength: 6 }), (changes) => {
        const bytes = good.slice();
        for (const [at, value] of changes) bytes[at] = value;
        const thrown = fault(bytes);
        return thrown === null || thrown instanceof InputFault;
      }),
      { numRuns: 500 },
    );
  });
});
