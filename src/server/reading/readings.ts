/** What takes long to read of what people send: checked here, on a thread of its own or, in tests, where it is called. */
import { InputFault } from '@/core/faults';
import { readBundle, type Bundle } from '@/core/handoff/bundle';
import type { ColourTable } from '@/core/finish/colour-table';
import { readTableFile, type TableFile } from '@/core/finish/table-file';
import { pictureKind } from '@/core/raster/picture-kind';
import { inspectPng, type PngFacts } from '@/core/raster/png';
import { sha256Of } from '../queries/blobs';

/** What is told of a lookup table. */
type TableFacts = Pick<ColourTable, 'dimensions' | 'size'> & Pick<TableFile, 'title'>;

export interface Readings {
  picture: PngFacts;
  bundle: Bundle;
  table: TableFacts;
}

export type ReadingKind = keyof Readings;

/** Each gives what was read, or throws an InputFault. */
export const READINGS: { [K in ReadingKind]: (bytes: Uint8Array) => Readings[K] | Promise<Readings[K]> } = {
  picture: inspectPng,
  table(bytes) {
    const { title, table } = readTableFile(bytes, '', 'The table');
    return { title, dimensions: table.dimensions, size: table.size };
  },
  async bundle(bytes) {
    const bundle = await readBundle(bytes, sha256Of);
    for (const file of bundle.files.values()) if (pictureKind(file)) inspectPng(file);
    return bundle;
  },
};

/** What is sent to the thread. */
export interface ReadingQuestion {
  kind: ReadingKind;
  bytes: Uint8Array;
}

/** Why something was not read; `field` is that of an InputFault. */
export interface ReadingFault {
  message: string;
  isInput: boolean;
  field: string | null;
}

/** What comes back. */
export type ReadingResult = { read: Readings[ReadingKind] } | { fault: ReadingFault };

export function faultOf(thrown: unknown): ReadingFault {
  const isInput = thrown instanceof InputFault;
  const message = thrown instanceof Error ? thrown.message : String(thrown);
  return { message, isInput, field: isInput ? thrown.field : null };
}
