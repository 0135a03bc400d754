/** The file of a lookup table, as text or as a picture, read by what its bytes are. */
import { InputFault, wordsOf } from '../faults';
import type { Image } from '../raster/image';
import { pictureKind } from '../raster/picture-kind';
import { decodePng, pngSize } from '../raster/png';
import { LIMITS } from '../limits';
import type { ColourTable } from './colour-table';
import { readCube } from './cube-file';
import type { TableFormat } from './table-formats';
import { expectTableLayout, readTablePicture } from './table-picture';

export interface TableFile {
  table: ColourTable;
  format: TableFormat;
  /** What the file calls itself; empty where it says nothing. */
  title: string;
}

/**
 * @param key see ColourTable
 * @param file what errors call it
 * @throws InputFault that names the file, and in a text the line
 */
export function readTableFile(bytes: Uint8Array, key: string, file: string): TableFile {
  if (bytes.length > LIMITS.tableBytes)
    throw new InputFault(`${file}: a table of up to ${LIMITS.tableBytes / 1024 / 1024} MB is read.`);
  if (pictureKind(bytes) !== null)
    return { table: readTablePicture(pictureOf(bytes, file), key, file), format: 'picture', title: '' };
  return { ...readCube(textOf(bytes, file), key, file), format: 'cube' };
}

/** Its size is looked at before it is unpacked. */
function pictureOf(bytes: Uint8Array, file: string): Image {
  const { width, height } = named(file, () => pngSize(bytes));
  expectTableLayout(width, height, file);
  return named(file, () => decodePng(bytes).image);
}

function named<T>(file: string, read: () => T): T {
  try {
    return read();
  } catch (cause) {
    throw new InputFault(`${file}: ${wordsOf(cause)}`, null, { cause });
  }
}

function textOf(bytes: Uint8Array, file: string): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // Comments of old programs are in other alphabets; keywords and numbers are the same in all of them.
    const text = new TextDecoder('latin1').decode(bytes);
    if (text.includes('\0')) throw new InputFault(`${file} is neither a .cube file nor a picture.`);
    return text;
  }
}
