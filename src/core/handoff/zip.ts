/** Zip archives within limits: written by fflate, read entry by entry with the sizes watched as they unpack. */
import { Unzip, UnzipInflate, zipSync, type Zippable } from 'fflate';
import { InputFault, wordsOf } from '../faults';
import { LIMITS } from '../limits';
import { concatenated } from '../raster/bytes';

export type Files = Record<string, Uint8Array>;

/** Bytes handed to the reader at once, so that one step unpacks a bounded amount. */
const STEP_BYTES = 64 * 1024;
/** The same files give the same archive: zip's earliest date stands in every entry. */
const NO_DATE = '1980-01-01T12:00:00';

export function packFiles(files: Files): Uint8Array {
  const entries: Zippable = {};
  // Pictures are packed already.
  for (const [path, bytes] of Object.entries(files))
    entries[path] = [bytes, { level: path.endsWith('.png') ? 0 : 6, mtime: NO_DATE }];
  return zipSync(entries);
}

/**
 * @param most how many bytes an entry may have; of one that may have none the bytes are let go
 * @throws InputFault where the archive is broken, too large, or names a path that leads out of it
 */
export function unpackFiles(bytes: Uint8Array, most: (path: string) => number = () => Infinity): Files {
  if (bytes.length > LIMITS.bundleBytes) throw new InputFault('The archive is too large.');
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) throw new InputFault('This is not a zip archive.');
  // Entries before a cut may be whole, and what is missing after it would be taken for something else.
  if (!hasEnd(bytes)) throw new InputFault('The archive is cut off.');
  const files: Files = {};
  let total = 0;
  let pending = 0;
  const unzip = new Unzip((file) => {
    if (file.name.endsWith('/')) return;
    checkPath(file.name);
    if (Object.hasOwn(files, file.name)) throw new InputFault(`The archive has ${file.name} twice.`);
    if (Object.keys(files).length >= LIMITS.bundleEntries) {
      throw new InputFault(`The archive has more than ${LIMITS.bundleEntries} entries.`);
    }
    const parts: Uint8Array[] = [];
    const mostOfIt = most(file.name);
    let size = 0;
    files[file.name] = new Uint8Array(0);
    pending++;
    file.ondata = (fault, chunk, final) => {
      // What was thrown here comes back as a fault of the unpacking.
      if (fault instanceof InputFault) throw fault;
      if (fault)
        throw new InputFault(`${file.name} in the archive is damaged (${wordsOf(fault)}).`, null, {
          cause: fault,
        });
      total += chunk.length;
      if (total > LIMITS.bundleUnpackedBytes) throw new InputFault('The archive unpacks to too much.');
      size += chunk.length;
      if (mostOfIt > 0 && size > mostOfIt)
        throw new InputFault(`${file.name} in the archive unpacks to too much.`);
      if (mostOfIt > 0) parts.push(chunk);
      if (!final) return;
      pending--;
      files[file.name] = concatenated(parts);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length; at += STEP_BYTES) {
      unzip.push(bytes.subarray(at, at + STEP_BYTES), at + STEP_BYTES >= bytes.length);
    }
  } catch (cause) {
    if (cause instanceof InputFault) throw cause;
    throw new InputFault(`The archive is damaged (${wordsOf(cause)}).`, null, { cause });
  }
  if (pending > 0 || Object.keys(files).length === 0) throw new InputFault('The archive is cut off.');
  return files;
}

/** Bytes of the record at an archive's end, and of the longest remark behind it. */
const END_BYTES = 22;
const LONGEST_REMARK_BYTES = 0xffff;

/** Whether the record that ends every archive is there. */
function hasEnd(bytes: Uint8Array): boolean {
  const first = Math.max(0, bytes.length - END_BYTES - LONGEST_REMARK_BYTES);
  for (let at = bytes.length - END_BYTES; at >= first; at--) {
    if (bytes[at] === 0x50 && bytes[at + 1] === 0x4b && bytes[at + 2] === 5 && bytes[at + 3] === 6)
      return true;
  }
  return false;
}

function checkPath(path: string): void {
  const parts = path.split('/');
  if (
    path.startsWith('/') ||
    path.includes('\\') ||
    path.includes('\0') ||
    /^[a-z]:/i.test(path) ||
    parts.includes('..') ||
    parts.includes('__proto__')
  ) {
    throw new InputFault(`The archive names a path that leads out of it: ${path}`);
  }
}
