/**
 * Lookup tables laid out as a picture: squares of n by n px, red to the right and green downward in each, blue from square to
 * square. They stand in one row, or in rows of as many as there are rows.
 */
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import type { Image } from '../raster/image';
import type { ColourTable } from './colour-table';

/** Squares across, and places along the side of each. */
interface TableLayout {
  across: number;
  size: number;
}

/** @returns null where a picture of this size is no table */
export function tableLayout(width: number, height: number): TableLayout | null {
  for (let size = 2; size <= LIMITS.cubePlaces; size++) {
    if (width === size * size && height === size) return { across: size, size };
    const across = Math.sqrt(size);
    if (Number.isInteger(across) && width === size * across && height === width) return { across, size };
  }
  return null;
}

/** @throws InputFault where a picture of this size is no table */
export function expectTableLayout(width: number, height: number, file: string): TableLayout {
  const layout = tableLayout(width, height);
  if (layout) return layout;
  throw new InputFault(
    `${file}: a table is n squares of n × n px in a row (1024 × 32), or in a square (512 × 512); this picture has ${width} × ${height} px.`,
  );
}

/**
 * @param key see ColourTable
 * @param file what errors call it
 */
export function readTablePicture({ width, height, data }: Image, key: string, file: string): ColourTable {
  const { across, size } = expectTableLayout(width, height, file);
  const values = new Float32Array(3 * size * size * size);
  for (let b = 0, o = 0; b < size; b++)
    for (let g = 0; g < size; g++)
      for (let r = 0; r < size; r++, o += 3) {
        const x = (b % across) * size + r;
        const y = Math.floor(b / across) * size + g;
        for (let c = 0; c < 3; c++) values[o + c] = data[4 * (y * width + x) + c] / 255;
      }
  return { key, dimensions: 3, size, low: [0, 0, 0], high: [1, 1, 1], values };
}
