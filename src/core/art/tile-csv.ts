/** Tile grids as CSV: a line for each row, a number for each cell. */
import Papa from 'papaparse';
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import { cellOf, type Tile } from './tiles';
import type { CellChange } from './tile-edits';

/**
 * @param firstNumber the number of the first tile: with 0 an empty cell is blank or -1, with 1 it may be 0 too
 * @param frames how many tiles the sheet has
 * @throws InputFault naming line and column of what is no tile
 */
export function readTileCsv(text: string, firstNumber: 0 | 1, frames: number): CellChange[] {
  const { data, errors } = Papa.parse<string[]>(text.trim(), { delimitersToGuess: [',', ';', '\t'] });
  // One column gives nothing to guess a separator from, which is no fault.
  const fault = errors.find(({ code }) => code !== 'UndetectableDelimiter');
  if (fault) throw new InputFault(`Line ${(fault.row ?? 0) + 1} is not CSV: ${fault.message}.`);
  const count = data.reduce((sum, row) => sum + row.length, 0);
  if (count > LIMITS.tileCells)
    throw new InputFault(`A tile grid has at most ${LIMITS.tileCells} cells; this one has ${count}.`);
  const out: CellChange[] = [];
  data.forEach((cells, row) =>
    cells.forEach((cell, column) => {
      const words = cell.trim();
      if (words === '') return;
      const place = `line ${row + 1}, column ${column + 1}`;
      if (!/^-?\d{1,6}$/.test(words))
        throw new InputFault(`"${words.slice(0, 20)}" in ${place} is no tile number.`);
      const number = Number(words);
      if (number < firstNumber) {
        if (number === firstNumber - 1 || number === -1) return;
        throw new InputFault(
          `There is no tile ${number}, as in ${place}; an empty cell is ${firstNumber - 1}.`,
        );
      }
      const tile: Tile = { frame: number - firstNumber, orientation: 0 };
      if (tile.frame >= frames)
        throw new InputFault(
          `There is no tile ${number}, as in ${place}: the sheet has ${frames}, from ${firstNumber} to ${firstNumber + frames - 1}.`,
        );
      out.push([column, row, cellOf(tile)]);
    }),
  );
  if (out.length === 0) throw new InputFault('There is no tile in this file.');
  return out;
}
