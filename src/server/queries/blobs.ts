/** Files by the hash of their bytes: stored once, never changed, in chunks written in one transaction. */
import { createHash } from 'node:crypto';
import { TABLE_TYPES } from '@/core/finish/table-formats';
import { pictureKind } from '@/core/raster/picture-kind';
import { NotFoundFault } from '../faults';
import { transaction, withConnection } from '../database/pool';
import { expectRoom } from '../database/room';
import { rowOf, rowsOf, run, runsOf, sql, tuples, type Connection } from '../database/sql';

export const CHUNK_BYTES = 4 * 1024 * 1024;

export function sha256Of(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex');
}

/** The type of a file that a bundle brought: a picture, or a lookup table as text. */
export function typeOfFile(bytes: Uint8Array): string {
  return TABLE_TYPES[pictureKind(bytes) ? 'picture' : 'cube'];
}

/** Stores bytes and answers their hash; bytes that are there already are left alone. */
export async function keepBlob(bytes: Uint8Array, type: string): Promise<string> {
  return transaction((connection) => keepBlobOn(connection, bytes, type));
}

export async function keepBlobOn(connection: Connection, bytes: Uint8Array, type: string): Promise<string> {
  const sha256 = sha256Of(bytes);
  const added = await run(
    connection,
    sql`
    INSERT IGNORE INTO blob_file (sha256, type, size) VALUES (${sha256}, ${type}, ${bytes.length})`,
  );
  if (added === 0) return sha256;
  for (let at = 0, place = 0; at < bytes.length; at += CHUNK_BYTES, place++) {
    const chunk = Buffer.from(bytes.subarray(at, at + CHUNK_BYTES));
    await expectRoom();
    await run(
      connection,
      sql`INSERT INTO blob_chunk (sha256, place, bytes) VALUES (${sha256}, ${place}, ${chunk})`,
    );
  }
  return sha256;
}

export interface StoredBlob {
  type: string;
  bytes: Buffer;
}

const SHA_256 = /^[0-9a-f]{64}$/;

export async function blobOf(sha256: string): Promise<StoredBlob> {
  if (!SHA_256.test(sha256)) throw new NotFoundFault('A file is asked for by the 64 digits of its hash.');
  return withConnection(async (connection) => {
    const file = await rowOf<{ type: string }>(
      connection,
      sql`SELECT type FROM blob_file WHERE sha256 = ${sha256}`,
    );
    if (!file) throw new NotFoundFault(`There is no file ${sha256}.`);
    const chunks = await rowsOf<{ bytes: Buffer }>(
      connection,
      sql`
      SELECT bytes FROM blob_chunk WHERE sha256 = ${sha256} ORDER BY place`,
    );
    return { type: file.type, bytes: Buffer.concat(chunks.map((chunk) => chunk.bytes)) };
  });
}

/** Those of the hashes that are not stored. */
export async function missingBlobs(connection: Connection, hashes: readonly string[]): Promise<string[]> {
  const missing = new Set(hashes);
  for (const some of runsOf([...missing])) {
    const there = await rowsOf<{ sha256: string }>(
      connection,
      sql`SELECT sha256 FROM blob_file WHERE sha256 IN ${tuples([some])}`,
    );
    for (const { sha256 } of there) missing.delete(sha256);
  }
  return [...missing];
}
