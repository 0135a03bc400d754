/** Lookup tables of the parity test, made by formula. */
import type { ColourTable, TableSource } from '@/core/finish/colour-table';

function cube(
  key: string,
  size: number,
  of: (r: number, g: number, b: number) => readonly number[],
): ColourTable {
  const values = new Float32Array(3 * size * size * size);
  for (let b = 0, o = 0; b < size; b++)
    for (let g = 0; g < size; g++)
      for (let r = 0; r < size; r++, o += 3)
        values.set(of(r / (size - 1), g / (size - 1), b / (size - 1)), o);
  return { key, dimensions: 3, size, low: [0, 0, 0], high: [1, 1, 1], values };
}

const CURVES = 9;

const TABLES: Readonly<Record<string, ColourTable>> = {
  /** Channels that mix, so that each tetrahedron has a slope of its own. */
  mixed: cube('mixed', 5, (r, g, b) => [
    0.7 * r * g + 0.3 * r,
    0.8 * g + 0.2 * b * b,
    0.6 * b + 0.4 * r * (1 - g),
  ]),
  /** A curve for each channel, over another domain. */
  curves: {
    key: 'curves',
    dimensions: 1,
    size: CURVES,
    low: [-0.1, 0, 0.1],
    high: [1.1, 0.9, 1],
    values: Float32Array.from({ length: 3 * CURVES }, (_, i) => {
      const t = Math.floor(i / 3) / (CURVES - 1);
      return [t * t, t, 1 - (1 - t) * (1 - t)][i % 3];
    }),
  },
};

export const tables: TableSource = (id) => TABLES[id] ?? null;
