import { decode, encode } from 'fast-png';

const COLUMNS = 3;
const GAP = 4;

/** Pictures of one size each, in rows of three, as one PNG: reference, GPU and difference of every scene. */
export function contactSheet(files: readonly Buffer[]): Buffer {
  const pictures = files.map((file) => decode(file));
  const width = Math.max(1, ...pictures.map((p) => p.width)) + GAP;
  const height = Math.max(1, ...pictures.map((p) => p.height)) + GAP;
  const rows = Math.ceil(pictures.length / COLUMNS);
  const sheet = { width: COLUMNS * width, height: Math.max(1, rows) * height };
  const data = new Uint8Array(4 * sheet.width * sheet.height).fill(255);
  pictures.forEach(({ width: w, height: h, data: from, channels }, i) => {
    const [left, top] = [(i % COLUMNS) * width, Math.floor(i / COLUMNS) * height];
    for (let y = 0; y < h; y++) {
      for (let x = 0; x < w; x++) {
        const p = 4 * ((top + y) * sheet.width + left + x);
        for (let c = 0; c < 3; c++) data[p + c] = from[channels * (y * w + x) + c];
      }
    }
  });
  return Buffer.from(encode({ ...sheet, data, channels: 4, depth: 8 }));
}
