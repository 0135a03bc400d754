/** What became of a scene and of its project's shared records since a revision, for those who have it open. */
import type { Change, Known } from '@/core/scene/changes';
import type { Overwritten, SentEdit } from '@/core/scene/patches';
import { rowOf, rowsOf, sql, type Connection, type Query } from '../database/sql';

/** Beyond so many changes, or so much text of them, the scene is better opened anew. */
const MOST_CHANGES = 1000;
const MOST_TEXT = 4 * 1024 * 1024;

interface Row {
  revision: number | null;
  change_number: number | null;
  transaction_id: string;
  author_id: string | null;
  author_name: string | null;
  edits: string;
  overwritten: string;
}

/**
 * What became of a scene and of what its project shares, in the order in which it happened.
 * @param known what is known already
 * @param before of the scene only revisions before this one
 * @returns null where it is too much to send
 */
export async function changesSince(
  connection: Connection,
  { sceneId, projectId }: { sceneId: string; projectId: string },
  known: Known,
  before = Number.MAX_SAFE_INTEGER,
): Promise<Change[] | null> {
  const own = await bounded(
    connection,
    sql`
    SELECT COUNT(*) AS count, COALESCE(SUM(LENGTH(edits) + LENGTH(overwritten)), 0) AS size FROM scene_revision
    WHERE scene_id = ${sceneId} AND revision > ${known.revision} AND revision < ${before}`,
    sql`
    SELECT revision, change_number, transaction_id, author_id, author_name, edits, overwritten FROM scene_revision
    WHERE scene_id = ${sceneId} AND revision > ${known.revision} AND revision < ${before} ORDER BY revision`,
  );
  // Read after the scene's, so that what came before any of them is there.
  const others = await bounded(
    connection,
    sql`
    SELECT COUNT(*) AS count, COALESCE(SUM(LENGTH(edits) + LENGTH(overwritten)), 0) AS size FROM project_change
    WHERE project_id = ${projectId} AND change_number > ${known.changeNumber} AND NOT scene_id <=> ${sceneId}`,
    sql`
    SELECT NULL AS revision, change_number, transaction_id, author_id, author_name, edits, overwritten FROM project_change
    WHERE project_id = ${projectId} AND change_number > ${known.changeNumber} AND NOT scene_id <=> ${sceneId}
    ORDER BY change_number`,
  );
  return own && others && merged(own, others);
}

/** Both in one order: a change of the shared records comes before those of the scene that have a higher number. */
function merged(own: readonly Change[], others: readonly Change[]): Change[] {
  const all: Change[] = [];
  let next = 0;
  for (const change of own) {
    while (change.changeNumber !== null && others[next] && others[next].changeNumber! < change.changeNumber)
      all.push(others[next++]);
    all.push(change);
  }
  return [...all, ...others.slice(next)];
}

async function bounded(connection: Connection, sum: Query, rows: Query): Promise<Change[] | null> {
  const all = (await rowOf<{ count: number; size: string | number }>(connection, sum))!;
  if (Number(all.count) > MOST_CHANGES || Number(all.size) > MOST_TEXT) return null;
  if (Number(all.count) === 0) return [];
  return (await rowsOf<Row>(connection, rows)).map((row) => ({
    revision: row.revision,
    changeNumber: row.change_number,
    transactionId: row.transaction_id,
    author: row.author_id === null ? null : { id: row.author_id, name: row.author_name ?? '' },
    edits: JSON.parse(row.edits) as SentEdit[],
    overwritten: JSON.parse(row.overwritten) as Overwritten[],
  }));
}
