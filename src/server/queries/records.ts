/** Records as rows, by owner, collection and id: those of a scene, and those that a project's scenes share. */
import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import type { Fields } from '@/core/scene/edits';
import { COLLECTION_NAMES, isOfProject, type CollectionName } from '@/core/scene/records/all-records';
import type { RecordName } from '@/core/scene/references';
import { rowsOf, run, runsOf, sql, table, tuples, type Connection, type RecordTable } from '../database/sql';

/** Records by collection and id. */
export type Records = Partial<Record<CollectionName, Record<string, Fields>>>;

/** A record that was changed; null was deleted. */
export interface ChangedRecord extends RecordName {
  record: Fields | null;
}

/** Whose records: a scene's or a project's. */
export interface Owner {
  table: RecordTable;
  id: string;
}

export const ofScene = (id: string): Owner => ({ table: 'scene_record', id });
export const ofProject = (id: string): Owner => ({ table: 'project_record', id });

interface Row {
  collection: CollectionName;
  id: string;
  document: string;
}

/** All records of an owner, or those of some collections. */
export async function readRecords(
  connection: Connection,
  owner: Owner,
  collections: readonly CollectionName[] = COLLECTION_NAMES,
): Promise<Records> {
  const records: Records = {};
  for (const { collection, id, document } of await readTexts(connection, owner, collections))
    (records[collection] ??= {})[id] = JSON.parse(document) as Fields;
  return records;
}

/** The same as JSON texts. */
export async function readTexts(
  connection: Connection,
  owner: Owner,
  collections: readonly CollectionName[] = COLLECTION_NAMES,
): Promise<Row[]> {
  return rowsOf<Row>(
    connection,
    sql`
    SELECT collection, id, document FROM ${table(owner.table)}
    WHERE owner_id = ${owner.id} AND collection IN ${tuples([collections])} ORDER BY collection, id`,
  );
}

/** Some records, locked until the transaction ends; those that are not there are left out. */
export async function lockRecords(
  connection: Connection,
  owner: Owner,
  names: readonly RecordName[],
): Promise<Map<string, Fields>> {
  const found = new Map<string, Fields>();
  for (const [collection, ids] of byCollection(names))
    for (const some of runsOf(ids)) {
      const rows = await rowsOf<Row>(
        connection,
        sql`
        SELECT id, document FROM ${table(owner.table)}
        WHERE owner_id = ${owner.id} AND collection = ${collection} AND id IN ${tuples([some])} FOR UPDATE`,
      );
      for (const { id, document } of rows) found.set(`${collection}/${id}`, JSON.parse(document) as Fields);
    }
  return found;
}

/** Ids by their collections, both in the order in which they come. */
function byCollection(names: readonly RecordName[]): Map<CollectionName, string[]> {
  const ids = new Map<CollectionName, string[]>();
  for (const { collection, id } of names) {
    const own = ids.get(collection);
    if (own) own.push(id);
    else ids.set(collection, [id]);
  }
  return ids;
}

/** Writes records, and takes away those that were deleted. */
export async function writeRecords(
  connection: Connection,
  owner: Owner,
  changed: readonly ChangedRecord[],
): Promise<void> {
  const rows = changed
    .filter(({ record }) => record !== null)
    .map(({ collection, id, record }) => {
      const text = JSON.stringify(record);
      const path = `${collection}.${id}`;
      if (text.length > LIMITS.recordLength)
        throw new InputFault(
          `${path} is longer than the ${LIMITS.recordLength} characters of one record.`,
          path,
        );
      return [owner.id, collection, id, text];
    });
  for (const part of bySize(rows))
    for (const some of runsOf(part))
      await run(
        connection,
        sql`
        INSERT INTO ${table(owner.table)} (owner_id, collection, id, document) VALUES ${tuples(some)}
        ON DUPLICATE KEY UPDATE document = VALUES(document)`,
      );
  for (const [collection, ids] of byCollection(changed.filter(({ record }) => record === null)))
    for (const some of runsOf(ids))
      await run(
        connection,
        sql`
        DELETE FROM ${table(owner.table)}
        WHERE owner_id = ${owner.id} AND collection = ${collection} AND id IN ${tuples([some])}`,
      );
}

/** Characters of one statement; far below what the database takes at once. */
const MOST_TEXT = 16 * 1024 * 1024;

/** Parts rows so that none of the parts is longer than one statement may be, unless a single row is. */
function* bySize(rows: readonly string[][]): Generator<readonly string[][]> {
  let start = 0;
  let size = 0;
  for (const [i, row] of rows.entries()) {
    const length = row.at(-1)!.length;
    if (i > start && size + length > MOST_TEXT) {
      yield rows.slice(start, i);
      [start, size] = [i, 0];
    }
    size += length;
  }
  if (start < rows.length) yield rows.slice(start);
}

export async function copyRecords(connection: Connection, from: Owner, to: Owner): Promise<void> {
  await run(
    connection,
    sql`
    INSERT INTO ${table(to.table)} (owner_id, collection, id, document)
    SELECT ${to.id}, collection, id, document FROM ${table(from.table)} WHERE owner_id = ${from.id}`,
  );
}

/** Fields of a document that are none of its collections, as a newer program may have written them: they are kept. */
export function restOf(document: object): Fields {
  const known: readonly string[] = ['format', 'version', ...COLLECTION_NAMES];
  const rest = Object.fromEntries(Object.entries(document).filter(([field]) => !known.includes(field)));
  if (JSON.stringify(rest).length > LIMITS.recordLength)
    throw new InputFault(`Fields that are not known here (${Object.keys(rest).join(', ')}) are too long.`);
  return rest;
}

/** How many records of each collection an owner has. */
export type Counts = Partial<Record<CollectionName, number>>;

/** Counts of records that are all in hand. */
export function countsOf(records: Records): Counts {
  return Object.fromEntries(
    Object.entries(records).map(([collection, own]) => [collection, Object.keys(own).length]),
  );
}

/** All records of a document as changes, those of its scene and those of its project. */
export function partedRecords(records: Records): { scene: ChangedRecord[]; project: ChangedRecord[] } {
  const parted: { scene: ChangedRecord[]; project: ChangedRecord[] } = { scene: [], project: [] };
  for (const collection of COLLECTION_NAMES)
    for (const [id, record] of Object.entries(records[collection] ?? {}))
      parted[isOfProject(collection) ? 'project' : 'scene'].push({ collection, id, record });
  return parted;
}

/** Counts the records of an owner anew. */
export async function countRecords(connection: Connection, owner: Owner): Promise<Counts> {
  const rows = await rowsOf<{ collection: CollectionName; count: number }>(
    connection,
    sql`SELECT collection, COUNT(*) AS count FROM ${table(owner.table)} WHERE owner_id = ${owner.id} GROUP BY collection`,
  );
  return Object.fromEntries(rows.map(({ collection, count }) => [collection, Number(count)]));
}
