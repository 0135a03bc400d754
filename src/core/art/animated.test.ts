import fc from 'fast-check';
import { zlibSync } from 'fflate';
import { GifWriter } from 'omggif';
import { describe, expect, it } from 'vitest';
import { InputFault } from '../faults';
import { concatenated } from '../raster/bytes';
import { emptyImage, type Image } from '../raster/image';
import { encodePng } from '../raster/png';
import { PNG_SIGNATURE, pngChunk } from '../raster/png-chunks';
import { headerSize, pictureKind } from '../raster/picture-kind';
import { composed, sheetColumns, sheetOf } from './animated';
import { readApng } from './apng';
import { readGif } from './gif';
import { interlacedRows } from './gif-pixels';

type Rgba = [number, number, number, number];
const RED: Rgba = [255, 0, 0, 255];
const BLUE: Rgba = [0, 0, 255, 255];
const CLEAR: Rgba = [0, 0, 0, 0];

function filled(width: number, height: number, colour: Rgba): Image {
  const image = emptyImage(width, height);
  for (let i = 0; i < width * height; i++) image.data.set(colour, 4 * i);
  return image;
}
const at = ({ data, width }: Image, x: number, y: number) => [
  ...data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4),
];

describe('pictures laid on a canvas', () => {
  const patch = (colour: Rgba, x: number, fields: object = {}) => ({
    image: filled(2, 1, colour),
    x,
    y: 0,
    over: true,
    then: 'stays' as const,
    ...fields,
  });
  const row = (image: Image) =>
    [0, 1, 2, 3].map((x) => {
      const [r, , b, a] = at(image, x, 0);
      return a === 0 ? '.' : r > b ? 'r' : 'b';
    });

  it('stay, are cleared, or give back what was there', () => {
    const seen = (then: string) =>
      composed(4, 1, [patch(RED, 0), patch(BLUE, 1, { then }), patch(CLEAR, 0)]).map((i) => row(i).join(''));
    expect(seen('stays')).toEqual(['rr..', 'rbb.', 'rbb.']);
    expect(seen('clears')).toEqual(['rr..', 'rbb.', 'r...']);
    expect(seen('returns')).toEqual(['rr..', 'rbb.', 'rr..']);
  });

  it('that are clear take away what is there only where they are put in its place', () => {
    const last = (over: boolean) => composed(4, 1, [patch(RED, 0), patch(CLEAR, 1, { over })])[1];
    expect(row(last(true)).join('')).toBe('rr..');
    expect(row(last(false)).join('')).toBe('r...');
  });

  it('that are half clear are mixed by their alpha', () => {
    const [, mixed] = composed(4, 1, [patch(RED, 0), patch([0, 0, 255, 128], 0)]);
    expect(at(mixed, 0, 0)).toEqual([127, 0, 128, 255]);
  });

  it('beyond the canvas are refused by their number', () => {
    expect(() => composed(4, 1, [patch(RED, 0), patch(RED, 3)])).toThrow(
      /Picture 2 .* 4 x 1 px \(2 x 1 px at 3, 0\)/,
    );
  });
});

describe('a sheet of pictures', () => {
  it('has each in its place, and a time of its own where it differs from the usual one', () => {
    const seconds = [0.1, 0.1, 0.5, 0.1, 0.1];
    const shown = seconds.map((s, i) => ({ image: filled(3, 2, [i, 0, 0, 255]), seconds: s }));
    const { image, frames, rateHz } = sheetOf({ shown, loop: 'round' }, 'Walk');
    expect(rateHz).toBeCloseTo(10, 9);
    expect(frames.map((f) => f.seconds)).toEqual([null, null, 0.5, null, null]);
    frames.forEach(({ left, top }, i) => expect(at(image, left + 2, top + 1)).toEqual([i, 0, 0, 255]));
    expect(new Set(frames.map(({ left, top }) => `${left} ${top}`)).size).toBe(5);
  });

  it('holds as many as fit, and refuses more in words', () => {
    expect(sheetColumns(16, 1024, 1024)).toBe(4);
    expect(() => sheetColumns(17, 1024, 1024)).toThrow(/17 pictures of 1024 x 1024 px do not fit/);
    expect(() => sheetColumns(2000, 8, 8)).toThrow(/2000 pictures; at most 1024/);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 600 }),
        fc.integer({ min: 1, max: 600 }),
        (count, width, height) => {
          fc.pre(count <= Math.floor(4096 / width) * Math.floor(4096 / height));
          const columns = sheetColumns(count, width, height);
          expect(columns * width).toBeLessThanOrEqual(4096);
          expect(Math.ceil(count / columns) * height).toBeLessThanOrEqual(4096);
        },
      ),
    );
  });
});

/** A GIF of 6 x 4 px: red, then a blue square at (2, 1), cleared before the last, which is clear. */
function gif(): Uint8Array {
  const buffer = new Uint8Array(4096);
  const writer = new GifWriter(buffer, 6, 4, { loop: 0, palette: [0x000000, 0xff0000, 0x0000ff, 0x00ff00] });
  writer.addFrame(0, 0, 6, 4, Array(24).fill(1), { delay: 20 });
  writer.addFrame(2, 1, 2, 2, [2, 2, 2, 2], { delay: 20, disposal: 2 });
  writer.addFrame(0, 0, 1, 1, [0], { delay: 50, transparent: 0 });
  return buffer.slice(0, writer.end());
}

describe('a GIF', () => {
  it('comes out as it is seen, with its times', () => {
    const { shown, loop } = readGif(gif());
    expect(loop).toBe('round');
    expect(shown.map(({ seconds }) => seconds)).toEqual([0.2, 0.2, 0.5]);
    expect(shown.map(({ image }) => at(image, 3, 2))).toEqual([RED, BLUE, CLEAR]);
    expect(shown.map(({ image }) => at(image, 0, 0))).toEqual([RED, RED, RED]);
  });

  it.each<[string, (bytes: Uint8Array) => Uint8Array, RegExp]>([
    ['cut off', (b) => b.slice(0, b.length - 20), /damaged or cut off/],
    ['only a header', (b) => b.slice(0, 10), /cut off/],
    ['not one', (b) => b.map((v, i) => (i === 4 ? 0 : v)), /damaged/],
    ['of no size', (b) => b.map((v, i) => (i === 6 ? 0 : v)), /empty/],
    ['of 8192 px', (b) => b.map((v, i) => (i === 7 ? 32 : v)), /8198 x 4 px; at most 4096/],
  ])('that is %s is refused in words', (_, spoil, words) => {
    expect(() => readGif(spoil(gif()))).toThrow(InputFault);
    expect(() => readGif(spoil(gif()))).toThrow(words);
  });

  it('of noise comes back pixel for pixel, however long its codes become, interlaced rows in their order', () => {
    const [width, height] = [97, 83];
    const palette = Array.from({ length: 256 }, (_, i) => (i << 16) | ((255 - i) << 8) | 7);
    const indices = Array.from({ length: width * height }, (_, i) => (i * i * 31 + (i >> 3) * 17) & 255);
    const buffer = new Uint8Array(64_000);
    const writer = new GifWriter(buffer, width, height, { palette });
    writer.addFrame(0, 0, width, height, indices, {});
    const { shown, loop } = readGif(buffer.slice(0, writer.end()));
    expect(loop).toBe('once');
    expect(indices.every((index, i) => shown[0].image.data[4 * i] === index)).toBe(true);
    expect(interlacedRows(10)).toEqual([0, 8, 4, 2, 6, 1, 3, 5, 7, 9]);
    expect(interlacedRows(1)).toEqual([0]);
  });

  it('never crashes or hangs, whatever is changed in it', () => {
    const good = gif();
    // Not its size: of sixteen million pixels it would be slow, and no worse.
    const change = fc.tuple(fc.integer({ min: 10, max: good.length - 1 }), fc.nat(255));
    fc.assert(
      fc.property(fc.array(change, { maxLength: 5 }), (changes) => {
        const bytes = good.slice();
        for (const [i, value] of changes) bytes[i] = value;
        try {
          readGif(bytes);
        } catch (thrown) {
          expect(thrown).toBeInstanceOf(InputFault);
        }
      }),
      { numRuns: 300 },
    );
  });
});

const words = (...values: number[]) =>
  values.flatMap((v) => [(v >>> 24) & 255, (v >>> 16) & 255, (v >>> 8) & 255, v & 255]);
const control = (
  n: number,
  w: number,
  h: number,
  x: number,
  y: number,
  ms: number,
  dispose: number,
  blend: number,
) => pngChunk('fcTL', Uint8Array.from([...words(n, w, h, x, y), ms >> 8, ms & 255, 3, 232, dispose, blend]));
const raw = (width: number, height: number, colour: Rgba) =>
  zlibSync(
    Uint8Array.from(
      Array.from({ length: height }, () => [0, ...Array.from({ length: width }, () => colour).flat()]).flat(),
    ),
  );

/** An APNG of 4 x 3 px: red, then a blue pixel that is taken back, then half of green over it. */
function apng(extra: Uint8Array[] = []): Uint8Array {
  return concatenated([
    PNG_SIGNATURE,
    pngChunk('IHDR', Uint8Array.from([...words(4, 3), 8, 6, 0, 0, 0])),
    pngChunk('acTL', Uint8Array.from(words(3, 1))),
    control(0, 4, 3, 0, 0, 100, 0, 0),
    pngChunk('IDAT', raw(4, 3, RED)),
    control(1, 1, 1, 2, 1, 100, 2, 0),
    pngChunk('fdAT', Uint8Array.from([...words(2), ...raw(1, 1, BLUE)])),
    control(3, 2, 1, 2, 1, 400, 0, 1),
    pngChunk('fdAT', Uint8Array.from([...words(4), ...raw(2, 1, [0, 255, 0, 128])])),
    ...extra,
    pngChunk('IEND', new Uint8Array(0)),
  ]);
}

describe('an animated PNG', () => {
  it('comes out as it is seen, with its times', () => {
    const { shown, loop } = readApng(apng());
    expect(loop).toBe('once');
    expect(shown.map(({ seconds }) => seconds)).toEqual([0.1, 0.1, 0.4]);
    expect(shown.map(({ image }) => at(image, 2, 1))).toEqual([RED, BLUE, [127, 128, 0, 255]]);
    expect(at(shown[2].image, 0, 0)).toEqual(RED);
  });

  it('whose pictures are no good is refused in words', () => {
    const cut = apng();
    expect(() => readApng(cut.slice(0, cut.length - 30))).toThrow(/cut off/);
    expect(() => readApng(cut.map((v, i) => (i === cut.length - 30 ? v ^ 1 : v)))).toThrow(/checksum/);
    const beyond = control(5, 3, 3, 2, 0, 100, 0, 0);
    const pixels = pngChunk('fdAT', Uint8Array.from([...words(6), ...raw(3, 3, BLUE)]));
    expect(() => readApng(apng([beyond, pixels]))).toThrow(/Picture 4 .* beyond/);
    expect(() => readApng(apng([beyond]))).toThrow(/Picture 4 .* no pixels/);
    const bomb = pngChunk('fdAT', Uint8Array.from([...words(6), ...zlibSync(new Uint8Array(9_000_000))]));
    expect(() => readApng(apng([control(5, 1, 1, 0, 0, 100, 0, 0), bomb]))).toThrow(/more than its header/);
  });
});

describe('the kind of a file', () => {
  it('is seen in its first bytes', () => {
    expect(pictureKind(apng())).toBe('apng');
    expect(pictureKind(encodePng(filled(2, 2, RED)))).toBe('png');
    expect(pictureKind(gif())).toBe('gif');
    expect(pictureKind(Uint8Array.of(0xff, 0xd8, 0xff, 0xe0))).toBe('jpeg');
    expect(pictureKind(new TextEncoder().encode('RIFF....WEBPVP8 '))).toBe('webp');
    expect(pictureKind(new TextEncoder().encode('Platform 2'))).toBeNull();
    expect(pictureKind(new Uint8Array(0))).toBeNull();
  });

  it('comes with its size, before anything is unpacked', () => {
    const jpeg = Uint8Array.of(
      0xff,
      0xd8,
      0xff,
      0xe0,
      0,
      4,
      0,
      0,
      0xff,
      0xff,
      0xc2,
      0,
      17,
      8,
      0,
      90,
      1,
      64,
      3,
      0,
      0,
    );
    expect(headerSize(jpeg, 'jpeg')).toEqual({ width: 320, height: 90 });
    expect(() => headerSize(jpeg.slice(0, 9), 'jpeg')).toThrow(/JPEG file is damaged or cut off/);
    expect(() =>
      headerSize(
        jpeg.map((v, i) => (i === 16 ? 32 : v)),
        'jpeg',
      ),
    ).toThrow(/8256 x 90 px; at most/);
    const webp = new Uint8Array(30);
    webp.set(new TextEncoder().encode('RIFF....WEBPVP8X'));
    webp.set([99, 0, 0, 49, 0, 0], 24);
    expect(headerSize(webp, 'webp')).toEqual({ width: 100, height: 50 });
    webp.set(new TextEncoder().encode('VP8?'), 12);
    expect(() => headerSize(webp, 'webp')).toThrow(/WebP file is damaged/);
  });
});
