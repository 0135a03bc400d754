import { decode, encode } from 'fast-png';

const COLUMNS = 3;
const GAP = 4;
/** Small pictures are enlarged by whole steps up to about this width. */
const WIDTH = 600;

/** Pictures in rows of three, as one PNG: reference, GPU and difference of every scene. */
export function contactSheet(files: readonly Buffer[]): Buffer {
  const pictures = files.map((file) => {
    const picture = decode(file);
    return { ...picture, scale: Math.max(1, Math.floor(WIDTH / picture.width)) };
  });
  const width = Math.max(1, ...pictures.map((p) => p.width * p.scale)) + GAP;
  const rows: number[] = [0];
  for (let i = 0; i < pictures.length; i += COLUMNS) {
    const highest = Math.max(...pictures.slice(i, i + COLUMNS).map((p) => p.height * p.scale));
    rows.push(rows[rows.length - 1] + highest + GAP);
  }
  const sheet = { width: COLUMNS * width, height: Math.max(1, rows[rows.length - 1]) };
  const data = new Uint8Array(4 * sheet.width * sheet.height).fill(255);
  pictures.forEach(({ width: w, height: h, data: from, channels, scale }, i) => {
    const [left, top] = [(i % COLUMNS) * width, rows[Math.floor(i / COLUMNS)]];
    for (let y = 0; y < h * scale; y++) {
      for (let x = 0; x < w * scale; x++) {
        const p = 4 * ((top + y) * sheet.width + left + x);
        const q = channels * (Math.floor(y / scale) * w + Math.floor(x / scale));
        for (let c = 0; c < 3; c++) data[p + c] = from[q + c];
      }
    }
  });
  return Buffer.from(encode({ ...sheet, data, channels: 4, depth: 8 }));
}
