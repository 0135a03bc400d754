/** Stills and loops: the pictures that the reference renderer gives. */
import { describe, expect, it } from 'vitest';
import { renderReference } from '../../light/reference';
import { gateView, momentAt } from '../../moment/moment-at';
import { NOTHING_PASSING } from '../../moment/passing';
import { concatenated } from '../../raster/bytes';
import { enlarged, type Image } from '../../raster/image';
import { decodePng } from '../../raster/png';
import { pngChunk, PNG_SIGNATURE } from '../../raster/png-chunks';
import type { SceneDocument } from '../../scene/document';
import { HOST, litYard, yardSource } from '../testing/lit-yard';
import { exportOptions } from './kind';
import { loop } from './loop';
import { stills } from './stills';

function drawn(scene: SceneDocument, hour: number, second: number): Image {
  return renderReference(momentAt(scene, hour, second, NOTHING_PASSING, gateView(scene)), () => null);
}

/** The frames of an APNG, each decoded as the PNG that it would be by itself. */
function framesOf(bytes: Uint8Array): Image[] {
  const chunks: { type: string; body: Uint8Array }[] = [];
  for (let at = 8; at < bytes.length;) {
    const length = new DataView(bytes.buffer, bytes.byteOffset + at).getUint32(0);
    const type = Buffer.from(bytes.subarray(at + 4, at + 8)).toString('latin1');
    chunks.push({ type, body: bytes.subarray(at + 8, at + 8 + length) });
    at += length + 12;
  }
  const header = chunks[0].body;
  return chunks
    .filter(({ type }) => type === 'IDAT' || type === 'fdAT')
    .map(({ type, body }) => {
      const data = type === 'IDAT' ? body : body.subarray(4);
      const parts = [
        PNG_SIGNATURE,
        pngChunk('IHDR', header),
        pngChunk('IDAT', data),
        pngChunk('IEND', new Uint8Array(0)),
      ];
      return decodePng(concatenated(parts)).image;
    });
}

const difference = (a: Image, b: Image) =>
  a.data.reduce((sum, value, i) => sum + Math.abs(value - b.data[i]), 0) / a.data.length;

describe('stills', () => {
  it('are the pictures of the reference renderer, at hours, seconds and whole enlargements', async () => {
    const scene = litYard();
    const options = exportOptions(stills, { hours: '6.5,20', seconds: '0,1.25', enlarge: '1,3' });
    const files = await stills.files(yardSource(scene), options, HOST);
    expect(Object.keys(files).sort()).toEqual(
      ['', '-x3']
        .flatMap((size) => ['', '-1.25s'].flatMap((s) => ['0630', '2000'].map((h) => `${h}${s}${size}.png`)))
        .sort(),
    );
    const own = drawn(scene, 20, 1.25);
    expect(decodePng(files['2000-1.25s.png']).image).toEqual(own);
    expect(decodePng(files['2000-1.25s-x3.png']).image).toEqual(enlarged(own, 3));
  });

  it('are of the hour at which the scene opens where none is named', async () => {
    const files = await stills.files(yardSource(litYard()), exportOptions(stills, {}), HOST);
    expect(Object.keys(files)).toEqual(['2000.png']);
  });

  it('lie on one sheet with their hours below', async () => {
    const scene = litYard();
    const options = exportOptions(stills, { hours: '6,12,18,24', sheet: 'true' });
    const files = await stills.files(yardSource(scene), options, HOST);
    expect(Object.keys(files)).toEqual(['sheet.png']);
    const { image } = decodePng(files['sheet.png']);
    expect([image.width, image.height]).toEqual([8 + 2 * 56, 8 + 2 * (36 + 18 + 8)]);
    const noon = drawn(scene, 12, 0);
    for (let y = 0; y < 36; y++)
      expect([...image.data.subarray(4 * ((8 + y) * 120 + 64), 4 * ((8 + y) * 120 + 64 + 48))]).toEqual([
        ...noon.data.subarray(4 * 48 * y, 4 * 48 * (y + 1)),
      ]);
    // Something is written below it.
    const below = image.data.subarray(4 * 48 * 120, 4 * 58 * 120);
    expect(below.includes(200)).toBe(true);
  });

  it('that would be too large are refused', async () => {
    const options = exportOptions(stills, { enlarge: '16' });
    const large = litYard({ gateWidthPx: 8000, gateHeightPx: 8000 });
    await expect(stills.files(yardSource(large), options, HOST)).rejects.toThrow('at most 67 million pixels');
  });
});

describe('a loop', () => {
  it('has the stills of its seconds as frames, and closes without a jump', async () => {
    const scene = litYard();
    const files = await loop.files(yardSource(scene), exportOptions(loop, { rate: 4 }), HOST);
    const told = JSON.parse(new TextDecoder().decode(files['loop.json']));
    // Two and three seconds come round in six.
    expect(told).toMatchObject({ seconds: 6, frames: 24, closes: true, clockHours: 20 });
    const frames = framesOf(files['lit-yard.png']);
    expect(frames).toHaveLength(24);
    for (const k of [0, 1, 13, 23]) expect(frames[k]).toEqual(drawn(scene, 20, k / 4));
    const steps = frames.map((frame, i) => difference(frame, frames[(i + 1) % frames.length]));
    expect(steps.at(-1)).toBeLessThanOrEqual(Math.max(...steps.slice(0, -1)));
    expect(Math.max(...steps)).toBeGreaterThan(0);
  });

  it('comes as numbered files, of any length, and says where that does not close', async () => {
    const scene = litYard();
    const options = exportOptions(loop, {
      rate: 2,
      seconds: 2,
      from: 1,
      hour: 12,
      format: 'png',
      enlarge: 2,
    });
    const files = await loop.files(yardSource(scene), options, HOST);
    expect(Object.keys(files).sort()).toEqual(['0001.png', '0002.png', '0003.png', '0004.png', 'loop.json']);
    expect(decodePng(files['0003.png']).image).toEqual(enlarged(drawn(scene, 12, 2), 2));
    expect(JSON.parse(new TextDecoder().decode(files['loop.json']))).toMatchObject({ closes: false });
  });

  it('of too many frames is refused', async () => {
    const options = exportOptions(loop, { rate: 60, seconds: 100 });
    await expect(loop.files(yardSource(litYard()), options, HOST)).rejects.toThrow('at most 1800 frames');
  });
});
