/** Whether the disk has room for what is to be written to the database of our own. */
import { statfs } from 'node:fs/promises';
import { LIMITS } from '@/core/limits';
import { NoRoomFault } from '../faults';

/** Codes of the database that mean a full disk. */
const FULL = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_TEMP_FILE_WRITE_FAILURE']);

/**
 * The database of our own needs room to go on at all: a full disk ends it. So nothing more is written while little is left.
 * @throws NoRoomFault where little is left
 */
export async function expectRoom(): Promise<void> {
  const left = await roomLeft();
  if (left === null || left >= LIMITS.roomBytes) return;
  const megabytes = (bytes: number) => Math.floor(bytes / (1024 * 1024));
  throw new NoRoomFault(
    `The disk is nearly full: ${megabytes(left)} MB are free where the data lies, and ${megabytes(LIMITS.roomBytes)} must stay free. ` +
      'Make room, and saving goes on by itself.',
  );
}

/** Whether the database says of a write that the disk is full. */
export function saysFull(thrown: unknown): boolean {
  return FULL.has((thrown as { code?: string }).code ?? '');
}

/** Bytes that are free where our own database lies, or null where the database is somebody else's. */
async function roomLeft(): Promise<number | null> {
  const folder = process.env.OILWICK_DATABASE_FOLDER;
  if (!folder) return null;
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}
