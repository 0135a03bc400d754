/** The grade, tone and table of a finish as one lookup table on encoded values, for programs that know no other finish. */
import { srgbDecode, srgbEncode } from '../raster/colour';
import { NO_FINISH, runPass, type FinishNumbers, type PassName } from './all-passes';
import type { ColourTable } from './colour-table';
import type { FinishFrame } from './frame';

/** Places along each side. */
export const LOOK_TABLE_SIZE = 33;

/** No pass of these looks at where a pixel lies. */
const NOWHERE: FinishFrame = {
  view: { x: 0, y: 0, widthPx: 1, heightPx: 1, outputPerScenePx: 1 },
  gate: { left: 0, top: 0, right: 1, bottom: 1 },
  pixelArt: false,
  gateLog2: null,
};

const ON_PRINT: readonly PassName[] = ['grade', 'table'];

/** @returns a cube over 0 to 1; what is brighter than white before the tone has no place in it */
export function lookTable(finish: FinishNumbers, key: string, size = LOOK_TABLE_SIZE): ColourTable {
  const numbers = { ...NO_FINISH, tone: finish.tone, grade: finish.grade, table: finish.table };
  const data = new Float64Array(3 * size * size * size);
  for (let b = 0, o = 0; b < size; b++)
    for (let g = 0; g < size; g++)
      for (let r = 0; r < size; r++, o += 3)
        [r, g, b].forEach((place, c) => (data[o + c] = srgbDecode(place / (size - 1))));
  const picture = { width: size * size * size, height: 1, data };
  runPass('tone', picture, numbers, NOWHERE);
  for (let i = 0; i < data.length; i++) data[i] = Math.min(1, srgbEncode(data[i]));
  for (const name of ON_PRINT) runPass(name, picture, numbers, NOWHERE);
  return { key, dimensions: 3, size, low: [0, 0, 0], high: [1, 1, 1], values: Float32Array.from(data) };
}
