/** The revisions of a scene as people look at them: when, by whom, what was changed, what they are called, and their pictures. */
import type { RevisionEntry } from '@/core/scene/changes';
import { NotFoundFault } from '../faults';
import { withConnection } from '../database/pool';
import { rowOf, rowsOf, run, sql, type Connection } from '../database/sql';
import { expectScene } from './scenes';

/** So many are given at a time. */
export const REVISIONS_AT_ONCE = 100;
/** So many pictures of revisions without a name are kept of a scene. */
const PICTURES_KEPT = 300;

interface Row {
  revision: number;
  /** Milliseconds since 1970. */
  made_ms: number;
  author_id: string | null;
  author_name: string | null;
  collections: string | null;
  name: string | null;
  has_picture: number;
}

/** Newest first. @param before those older than this one; null begins with the newest */
export async function revisionsOf(sceneId: string, before: number | null): Promise<RevisionEntry[]> {
  await expectScene(sceneId);
  const below = before ?? 4_294_967_295;
  const rows = await withConnection((connection) =>
    rowsOf<Row>(
      connection,
      sql`
      SELECT every.revision, ROUND(UNIX_TIMESTAMP(every.created_at) * 1000) AS made_ms, author_id, author_name, collections, name, picture IS NOT NULL AS has_picture
      FROM (
        SELECT revision, created_at, author_id, author_name, CAST(JSON_EXTRACT(edits, '$[*].collection') AS CHAR) AS collections
        FROM scene_revision WHERE scene_id = ${sceneId} AND revision < ${below}
        UNION ALL
        SELECT 1, created_at, NULL, NULL, NULL FROM scene WHERE id = ${sceneId} AND 1 < ${below}
      ) AS every
      LEFT JOIN scene_revision_mark ON scene_id = ${sceneId} AND scene_revision_mark.revision = every.revision
      ORDER BY every.revision DESC LIMIT ${REVISIONS_AT_ONCE}`,
    ),
  );
  return rows.map(({ revision, made_ms, author_id, author_name, collections, name, has_picture }) => ({
    revision: Number(revision),
    madeAt: new Date(Number(made_ms)).toISOString(),
    author: author_id === null ? null : { id: author_id, name: author_name ?? '' },
    changed: counted(collections === null ? [] : (JSON.parse(collections) as string[])),
    name,
    hasPicture: has_picture === 1,
  }));
}

function counted(collections: readonly string[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const collection of collections) counts[collection] = (counts[collection] ?? 0) + 1;
  return counts;
}

/** @param name null takes it away */
export async function nameRevision(sceneId: string, revision: number, name: string | null): Promise<void> {
  await withConnection(async (connection) => {
    await expectRevision(connection, sceneId, revision);
    await run(
      connection,
      sql`
      INSERT INTO scene_revision_mark (scene_id, revision, name) VALUES (${sceneId}, ${revision}, ${name})
      ON DUPLICATE KEY UPDATE name = ${name}`,
    );
  });
}

/** Keeps the picture of the newest revision; of those without a name the oldest go. */
export async function keepRevisionPicture(
  connection: Connection,
  sceneId: string,
  picture: Buffer,
): Promise<void> {
  await run(
    connection,
    sql`
    INSERT INTO scene_revision_mark (scene_id, revision, picture)
    SELECT id, revision, ${picture} FROM scene WHERE id = ${sceneId}
    ON DUPLICATE KEY UPDATE picture = ${picture}`,
  );
  await run(
    connection,
    sql`
    DELETE FROM scene_revision_mark WHERE scene_id = ${sceneId} AND name IS NULL AND revision < (
      SELECT MIN(revision) FROM (
        SELECT revision FROM scene_revision_mark WHERE scene_id = ${sceneId} AND name IS NULL
        ORDER BY revision DESC LIMIT ${PICTURES_KEPT}
      ) AS kept
    )`,
  );
}

export async function revisionPicture(sceneId: string, revision: number): Promise<Buffer> {
  const row = await withConnection((connection) =>
    rowOf<{ picture: Buffer | null }>(
      connection,
      sql`SELECT picture FROM scene_revision_mark WHERE scene_id = ${sceneId} AND revision = ${revision}`,
    ),
  );
  if (!row?.picture) throw new NotFoundFault(`There is no picture of revision ${revision}.`);
  return row.picture;
}

async function expectRevision(connection: Connection, sceneId: string, revision: number): Promise<void> {
  const row = await rowOf<{ revision: number }>(
    connection,
    sql`SELECT revision FROM scene WHERE id = ${sceneId}`,
  );
  if (!row) throw new NotFoundFault(`There is no scene ${sceneId}.`);
  if (revision < 1 || revision > row.revision)
    throw new NotFoundFault(`Scene ${sceneId} has no revision ${revision}.`);
}
