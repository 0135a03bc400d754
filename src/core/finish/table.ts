/** Lookup tables on encoded values, each by its share: those of several looks lie side by side while one goes over into another. */
import { namingOrNull, share } from '../fields';
import { readTable, type ColourTable } from './colour-table';
import type { FinishPass, Weighted } from './pass';

interface TableSettings {
  tableId: string | null;
  tableShare: number;
}

export interface TableNumbers {
  /** None stands twice; their shares add up to 1 at most, and the rest is the picture as it was. */
  tables: readonly { table: ColourTable; share: number }[];
}

export const table = {
  word: 'Table',
  fields: {
    tableId: namingOrNull('tables', 'needs').meta({ about: 'The lookup table that colours go through' }),
    tableShare: share().default(1).meta({ about: 'How much of it is mixed in' }),
  },
  on: 'print',
  numbers: ({ tableId, tableShare }, tables) => {
    const found = tableId === null ? null : tables(tableId);
    return { tables: found && tableShare > 0 ? [{ table: found, share: tableShare }] : [] };
  },
  mix,
  isAtRest: ({ tables }) => tables.length === 0,
  apply({ data }, { tables }) {
    const read = new Float64Array(3);
    for (let i = 0; i < data.length; i += 3) {
      const mixed = [0, 0, 0];
      let rest = 1;
      for (const { table: one, share: own } of tables) {
        for (let c = 0; c < 3; c++) read[c] = data[i + c];
        readTable(one, read, 0);
        for (let c = 0; c < 3; c++) mixed[c] += own * read[c];
        rest -= own;
      }
      for (let c = 0; c < 3; c++) data[i + c] = Math.min(1, Math.max(0, mixed[c] + rest * data[i + c]));
    }
  },
} satisfies FinishPass<TableSettings, TableNumbers>;

function mix(parts: readonly Weighted<TableNumbers>[]): TableNumbers {
  const shares = new Map<ColourTable, number>();
  for (const { numbers, share: part } of parts)
    for (const { table: one, share: own } of numbers.tables) {
      const sum = (shares.get(one) ?? 0) + part * own;
      if (sum > 0) shares.set(one, sum);
    }
  return { tables: [...shares].map(([one, sum]) => ({ table: one, share: sum })) };
}
