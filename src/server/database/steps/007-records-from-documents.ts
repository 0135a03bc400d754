/**
 * Spreads documents that were stored whole, with the patches since, and the project's records from tables of their own, into
 * rows by collection and id. All of it is brought to the newest version of the format on the way. What was spread already is
 * written once more as it was.
 */
import type { PoolConnection } from 'mysql2/promise';
import type { SceneDocument } from '@/core/scene/document';
import { applyEdits, type Edit, type Fields } from '@/core/scene/edits';
import { readKeptScene } from '@/core/scene/read-scene';
import { isOfProject, type CollectionName } from '@/core/scene/records/all-records';
import { upgradedRecord } from '@/core/scene/versions/all-versions';
import {
  countsOf,
  ofProject,
  ofScene,
  partedRecords,
  restOf,
  writeQueries,
  type Records,
} from '../../queries/records';
import { keepSnapshot } from '../../queries/revisions';
import { batch, rowsOf, run, sql } from '../sql';

interface SceneRow {
  document: string;
  document_revision: number;
  revision: number;
}

export async function recordsFromDocuments(connection: PoolConnection): Promise<void> {
  for (const { id } of await rowsOf<{ id: string }>(connection, sql`SELECT id FROM project`))
    await inTransaction(connection, () => spreadProject(connection, id));
  for (const { id } of await rowsOf<{ id: string }>(connection, sql`SELECT id FROM scene`))
    await inTransaction(connection, () => spreadScene(connection, id));
}

async function inTransaction(connection: PoolConnection, work: () => Promise<void>): Promise<void> {
  await connection.beginTransaction();
  try {
    await work();
    await connection.commit();
  } catch (thrown) {
    await connection.rollback();
    throw thrown;
  }
}

async function spreadProject(connection: PoolConnection, id: string): Promise<void> {
  const rows = await rowsOf<{ collection: CollectionName; id: string; document: string }>(
    connection,
    sql`
    SELECT 'artworks' AS collection, id, document FROM artwork WHERE project_id = ${id}
    UNION ALL SELECT 'reliefs', id, document FROM relief WHERE project_id = ${id}
    UNION ALL SELECT 'strokes', id, document FROM stroke WHERE project_id = ${id}
    UNION ALL SELECT 'recipes', id, document FROM shelf_recipe WHERE project_id = ${id}
    UNION ALL SELECT 'luminaires', id, document FROM shelf_luminaire WHERE project_id = ${id}`,
  );
  const records: Records = {};
  for (const { collection, id: recordId, document } of rows)
    (records[collection] ??= {})[recordId] = upgradedRecord(collection, JSON.parse(document) as Fields);
  await batch(connection, writeQueries(ofProject(id), partedRecords(records).project));
  await run(
    connection,
    sql`UPDATE project SET counts = ${JSON.stringify(countsOf(records))} WHERE id = ${id}`,
  );
}

async function spreadScene(connection: PoolConnection, id: string): Promise<void> {
  const [row] = await rowsOf<SceneRow>(
    connection,
    sql`SELECT document, document_revision, revision FROM scene WHERE id = ${id} FOR UPDATE`,
  );
  const patches = await rowsOf<{ edits: string }>(
    connection,
    sql`
    SELECT edits FROM scene_revision
    WHERE scene_id = ${id} AND revision > ${row.document_revision} AND revision <= ${row.revision} ORDER BY revision`,
  );
  const scene = patches.reduce(
    (document, { edits }) => {
      const own = (JSON.parse(edits) as Edit[]).filter(({ collection }) => !isOfProject(collection));
      return applyEdits(document, own);
    },
    JSON.parse(row.document) as SceneDocument,
  );
  const document = readKeptScene(scene);
  const records = document as unknown as Records;
  const { scene: own } = partedRecords(records);
  await batch(connection, writeQueries(ofScene(id), own));
  const kept = Object.fromEntries(own.map(({ collection }) => [collection, records[collection]])) as Records;
  await keepSnapshot(connection, id, row.revision, kept);
  await run(
    connection,
    sql`
    UPDATE scene SET counts = ${JSON.stringify(countsOf(kept))}, rest = ${JSON.stringify(restOf(document))} WHERE id = ${id}`,
  );
}
