/** Rows of records that a version of the scene document changed, brought to it. What is of it already stays as it is. */
import type { PoolConnection } from 'mysql2/promise';
import type { Fields } from '@/core/scene/edits';
import { upgradedRecord } from '@/core/scene/versions/all-versions';
import { rowsOf, run, sql, table, type RecordTable } from '../sql';

/** Rows that are read at once. */
const ROWS = 500;

interface Row {
  owner_id: string;
  id: string;
  document: string;
}

/** @param changed the collections that are brought to the newest version, by the table that they are in */
export async function upgradeRecords(
  connection: PoolConnection,
  changed: Readonly<Record<RecordTable, readonly string[]>>,
): Promise<void> {
  for (const [name, collections] of Object.entries(changed))
    for (const collection of collections) await upgradeAll(connection, name as RecordTable, collection);
}

async function upgradeAll(connection: PoolConnection, name: RecordTable, collection: string): Promise<void> {
  let last: Pick<Row, 'owner_id' | 'id'> = { owner_id: '', id: '' };
  for (;;) {
    const rows = await rowsOf<Row>(
      connection,
      sql`
      SELECT owner_id, id, document FROM ${table(name)}
      WHERE collection = ${collection}
        AND (owner_id > ${last.owner_id} OR (owner_id = ${last.owner_id} AND id > ${last.id}))
      ORDER BY owner_id, id LIMIT ${ROWS}`,
    );
    for (const { owner_id, id, document } of rows) {
      const next = JSON.stringify(upgradedRecord(collection, JSON.parse(document) as Fields));
      if (next === document) continue;
      await run(
        connection,
        sql`
        UPDATE ${table(name)} SET document = ${next}
        WHERE owner_id = ${owner_id} AND collection = ${collection} AND id = ${id}`,
      );
    }
    if (rows.length < ROWS) return;
    last = rows[rows.length - 1];
  }
}
