/** A lookup table of colours, and how it is read: along a line for one dimension, in tetrahedra for three (Sakamoto 1981). */
import type { Rgb } from '../raster/colour';

export interface ColourTable {
  /** By what it is kept: the sha-256 of its file. */
  key: string;
  /** 1: a curve for each channel. 3: a cube. */
  dimensions: 1 | 3;
  /** Places along each side. */
  size: number;
  /** What the first and the last place stand for, for each channel. */
  low: Readonly<Rgb>;
  high: Readonly<Rgb>;
  /** Three values a place; in a cube red runs fastest, then green. */
  values: Float32Array;
}

/** Where renderers get tables from, by the id of their record; null while one is not there: then it changes nothing. */
export type TableSource = (tableId: string) => ColourTable | null;

export const NO_TABLES: TableSource = () => null;

/** Reads a table at an encoded colour from `at` on, in place. What lies outside its domain is read at its border. */
export function readTable(table: ColourTable, data: Float64Array, at: number): void {
  const { low, high, size } = table;
  const place = (c: 0 | 1 | 2) => {
    const t = (data[at + c] - low[c]) / (high[c] - low[c]);
    return Math.min(1, Math.max(0, t)) * (size - 1);
  };
  const read = table.dimensions === 1 ? readCurves : readCube;
  read(table, [place(0), place(1), place(2)], data, at);
}

/** Writes what a table has at places between its own, from `at` on. */
type ReadAt = (table: ColourTable, places: Readonly<Rgb>, out: Float64Array, at: number) => void;

const readCurves: ReadAt = ({ values, size }, places, out, at) => {
  places.forEach((place, c) => {
    const i = Math.min(size - 2, Math.floor(place));
    const first = values[3 * i + c];
    out[at + c] = first + (place - i) * (values[3 * (i + 1) + c] - first);
  });
};

/** Of the six tetrahedra of a cell the one that holds the place: its corners are gone to along the larger fractions first. */
const readCube: ReadAt = ({ values, size }, [r, g, b], out, at) => {
  const cell = (v: number) => Math.min(size - 2, Math.floor(v));
  const [i, j, k] = [cell(r), cell(g), cell(b)];
  const ways = [
    { by: r - i, step: 3 },
    { by: g - j, step: 3 * size },
    { by: b - k, step: 3 * size * size },
  ].sort((one, other) => other.by - one.by);
  let from = 3 * (i + size * (j + size * k));
  for (let c = 0; c < 3; c++) out[at + c] = values[from + c];
  for (const { by, step } of ways) {
    for (let c = 0; c < 3; c++) out[at + c] += by * (values[from + step + c] - values[from + c]);
    from += step;
  }
};
