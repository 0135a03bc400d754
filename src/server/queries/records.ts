/** Records as rows, by owner, collection and id: those of a scene, and those that a project's scenes share. */
import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import type { Fields } from '@/core/scene/edits';
import { COLLECTION_NAMES, isOfProject, type CollectionName } from '@/core/scene/records/all-records';
import { sumOf } from '@/core/scene/read-scene';
import type { RecordName } from '@/core/scene/references';
import {
  bySize,
  rowsOf,
  run,
  runsOf,
  sql,
  table,
  tuples,
  type Connection,
  type Query,
  type RecordTable,
} from '../database/sql';

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

/** Queries for some records, which lock them until the transaction ends. */
export function lockQueries(owner: Owner, names: readonly RecordName[]): Query[] {
  return [...byCollection(names)].flatMap(([collection, ids]) =>
    [...runsOf(ids)].map(
      (some) => sql`
      SELECT collection, id, document FROM ${table(owner.table)}
      WHERE owner_id = ${owner.id} AND collection = ${collection} AND id IN ${tuples([some])} FOR UPDATE`,
    ),
  );
}

/** Records by collection and id, from the rows of such queries; those that are not there are left out. */
export function lockedRecords(rows: readonly unknown[][]): Map<string, Fields> {
  return new Map(
    (rows.flat() as Row[]).map(({ collection, id, document }) => [
      `${collection}/${id}`,
      JSON.parse(document) as Fields,
    ]),
  );
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

/** Queries that write records, and take away those that were deleted. @throws InputFault where a record is too long */
export function writeQueries(owner: Owner, changed: readonly ChangedRecord[]): Query[] {
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
  const gone = byCollection(changed.filter(({ record }) => record === null));
  return [
    ...[...bySize(rows, (row) => row.at(-1)!.length, MOST_TEXT)].flatMap((part) =>
      [...runsOf(part)].map(
        (some) => sql`
        INSERT INTO ${table(owner.table)} (owner_id, collection, id, document) VALUES ${tuples(some)}
        ON DUPLICATE KEY UPDATE document = VALUES(document)`,
      ),
    ),
    ...[...gone].flatMap(([collection, ids]) =>
      [...runsOf(ids)].map(
        (some) => sql`
        DELETE FROM ${table(owner.table)}
        WHERE owner_id = ${owner.id} AND collection = ${collection} AND id IN ${tuples([some])}`,
      ),
    ),
  ];
}

/** Characters of the records of one statement. */
const MOST_TEXT = 16 * 1024 * 1024;

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

/** How many records of each collection an owner has, and their sum where there is something to be summed. */
export type Counts = Partial<Record<CollectionName | SumName, number>>;
type SumName = `sum of ${CollectionName}`;

export const sumName = (collection: CollectionName): SumName => `sum of ${collection}`;

/** Counts of records that are all in hand. */
export function countsOf(records: Records): Counts {
  const counts: Counts = {};
  for (const [name, own] of Object.entries(records)) {
    const collection = name as CollectionName;
    counts[collection] = Object.keys(own).length;
    const sum = sumOf(collection, own);
    if (sum !== null) counts[sumName(collection)] = sum;
  }
  return counts;
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
