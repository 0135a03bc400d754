/** Earlier states of a scene: a snapshot now and then, and the patches since. */
import { isOfProject } from '@/core/scene/records/all-records';
import { outcomeOf, type SentEdit } from '@/core/scene/patches';
import { upgradedRecord } from '@/core/scene/versions/all-versions';
import { NotFoundFault } from '../faults';
import { snapshot, transaction } from '../database/pool';
import { rowOf, rowsOf, run, sql, type Connection } from '../database/sql';
import { ofScene, readRecords, type Records } from './records';

/** A snapshot is made when the last one is so many revisions old. */
export const SNAPSHOT_EVERY = 200;

export async function keepSnapshot(
  connection: Connection,
  sceneId: string,
  revision: number,
  records: Records,
): Promise<void> {
  await run(
    connection,
    sql`INSERT IGNORE INTO scene_snapshot (scene_id, revision, document) VALUES (${sceneId}, ${revision}, ${JSON.stringify(records)})`,
  );
}

/** Makes a snapshot where one is due. It is not part of a patch, whose time must not depend on how large the scene is. */
export async function keepSnapshotWhenDue(sceneId: string, revision: number): Promise<void> {
  if (revision % SNAPSHOT_EVERY !== 0) return;
  const now = await snapshot(async (connection) => {
    const row = await rowOf<{ revision: number }>(
      connection,
      sql`SELECT revision FROM scene WHERE id = ${sceneId}`,
    );
    return row && { revision: row.revision, records: await readRecords(connection, ofScene(sceneId)) };
  });
  if (now) await transaction((connection) => keepSnapshot(connection, sceneId, now.revision, now.records));
}

/**
 * A scene's own records as they were at a revision; what its project shares is not among them.
 * @throws NotFoundFault where the scene never was at that revision, or nobody kept what led to it
 */
export async function recordsAt(sceneId: string, revision: number): Promise<Records> {
  return snapshot(async (connection) => {
    const start = await rowOf<{ revision: number; document: string }>(
      connection,
      sql`
      SELECT revision, document FROM scene_snapshot WHERE scene_id = ${sceneId} AND revision <= ${revision}
      ORDER BY revision DESC LIMIT 1`,
    );
    const patches = await rowsOf<{ revision: number; edits: string }>(
      connection,
      sql`
      SELECT revision, edits FROM scene_revision
      WHERE scene_id = ${sceneId} AND revision > ${start?.revision ?? 0} AND revision <= ${revision} ORDER BY revision`,
    );
    if (!start || patches.length !== revision - start.revision)
      throw new NotFoundFault(`Revision ${revision} of scene ${sceneId} is not known.`);
    const records = JSON.parse(start.document) as Records;
    for (const { edits } of patches) carryOut(records, JSON.parse(edits) as SentEdit[]);
    return upgradedRecords(records);
  });
}

/** What was kept before a version of the scene document is brought to it. */
function upgradedRecords(records: Records): Records {
  return Object.fromEntries(
    Object.entries(records).map(([collection, all]) => [
      collection,
      Object.fromEntries(Object.entries(all).map(([id, record]) => [id, upgradedRecord(collection, record)])),
    ]),
  );
}

function carryOut(records: Records, edits: readonly SentEdit[]): void {
  const own = edits.filter(({ collection }) => !isOfProject(collection));
  const { changed } = outcomeOf(own, (collection, id) => records[collection]?.[id]);
  for (const { collection, id, record } of changed.values()) {
    const all = (records[collection] ??= {});
    if (record === null) delete all[id];
    else all[id] = record;
  }
}
