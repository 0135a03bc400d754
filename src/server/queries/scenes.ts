/**
 * Scenes: a document at some revision, and the patches since. Artworks and reliefs belong to the project and lie in
 * tables of their own; a patch that edits them changes those rows in the same transaction.
 */
import { randomUUID } from 'node:crypto';
import { SCENE_VERSION, type SceneDocument } from '@/core/scene/document';
import { isOfProject, PROJECT_COLLECTIONS } from '@/core/scene/records/all-records';
import { applyEdits, firstStale, type Edit } from '@/core/scene/edits';
import { checkEdited, readScene } from '@/core/scene/read-scene';
import { NotFoundFault, StaleFault } from '../faults';
import { transaction, withConnection } from '../database/pool';
import { rowOf, rowsOf, run, sql, type Connection } from '../database/sql';
import { checkFiles, projectRecords, touchedRecords, writeProjectRecords } from './project-records';

/** The whole document is written again after this many patches, or when the last one is this long ago. */
export const PATCHES_KEPT = 20;
const QUIET_SECONDS = 10;

export interface OpenScene {
  id: string;
  name: string;
  projectId: string;
  projectName: string;
  revision: number;
  document: SceneDocument;
}

interface SceneRow {
  id: string;
  name: string;
  project_id: string;
  project_name: string;
  document: string;
  document_revision: number;
  revision: number;
  quiet_seconds: number;
}

async function sceneRow(connection: Connection, id: string, locked: boolean): Promise<SceneRow> {
  const row = locked
    ? await rowOf<SceneRow>(
        connection,
        sql`
        SELECT scene.id, scene.name, project_id, '' AS project_name, document, document_revision, revision,
          TIMESTAMPDIFF(SECOND, updated_at, CURRENT_TIMESTAMP(3)) AS quiet_seconds
        FROM scene WHERE scene.id = ${id} FOR UPDATE`,
      )
    : await rowOf<SceneRow>(
        connection,
        sql`
        SELECT scene.id, scene.name, project_id, project.name AS project_name, document, document_revision, revision,
          0 AS quiet_seconds
        FROM scene JOIN project ON project.id = project_id WHERE scene.id = ${id}`,
      );
  if (!row) throw new NotFoundFault(`There is no scene ${id}.`);
  return row;
}

/** The document as it stands: what was last written whole, the patches since, and the project's artworks. */
async function documentOf(connection: Connection, row: SceneRow): Promise<SceneDocument> {
  const patches = await rowsOf<{ edits: string }>(
    connection,
    sql`
    SELECT edits FROM scene_revision
    WHERE scene_id = ${row.id} AND revision > ${row.document_revision} AND revision <= ${row.revision} ORDER BY revision`,
  );
  const stored = JSON.parse(row.document) as SceneDocument;
  // What of them is the project's lies in its own records.
  const scene = patches.reduce((document, { edits }) => {
    const own = (JSON.parse(edits) as Edit[]).filter(({ collection }) => !isOfProject(collection));
    return applyEdits(document, own);
  }, stored);
  const whole = { ...scene, ...(await projectRecords(connection, row.project_id)) };
  // What is stored in this version was checked when it was written: checking thousands of records again takes long.
  return whole.version === SCENE_VERSION ? whole : readScene(whole);
}

export async function openScene(id: string): Promise<OpenScene> {
  // One transaction, so that document and patches are read at one point in time.
  return transaction(async (connection) => {
    const row = await sceneRow(connection, id, false);
    return {
      id,
      name: row.name,
      projectId: row.project_id,
      projectName: row.project_name,
      revision: row.revision,
      document: await documentOf(connection, row),
    };
  });
}

export interface Patch {
  transactionId: string;
  edits: Edit[];
}

/**
 * Appends a patch. A transaction that is known already answers its old revision, so that a retry after a lost answer
 * is no conflict; it is looked up before anything else.
 * @returns the revision that the patch made
 * @throws StaleFault where the scene is at another revision, InputFault where the edits do not fit
 */
export async function patchScene(
  id: string,
  expectedRevision: number,
  { transactionId, edits }: Patch,
): Promise<number> {
  return transaction(async (connection) => {
    const row = await sceneRow(connection, id, true);
    const known = await rowOf<{ revision: number }>(
      connection,
      sql`
      SELECT revision FROM scene_revision WHERE scene_id = ${id} AND transaction_id = ${transactionId}`,
    );
    if (known) return known.revision;
    if (row.revision !== expectedRevision) throw new StaleFault(expectedRevision, row.revision);
    const before = await documentOf(connection, row);
    // Artworks may have been changed from another scene of the project.
    if (firstStale(before, edits)) throw new StaleFault(expectedRevision, row.revision);
    const after = applyEdits(before, edits);
    checkEdited(after, edits);
    await checkFiles(connection, touchedRecords(after, edits));
    const revision = row.revision + 1;
    await run(
      connection,
      sql`
      INSERT INTO scene_revision (scene_id, revision, transaction_id, edits)
      VALUES (${id}, ${revision}, ${transactionId}, ${JSON.stringify(edits)})`,
    );
    await writeProjectRecords(connection, row.project_id, after, edits);
    if (revision - row.document_revision >= PATCHES_KEPT || row.quiet_seconds >= QUIET_SECONDS) {
      await run(
        connection,
        sql`
        UPDATE scene SET document = ${storedText(after)}, document_revision = ${revision}, revision = ${revision},
          updated_at = CURRENT_TIMESTAMP(3) WHERE id = ${id}`,
      );
    } else {
      await run(
        connection,
        sql`
        UPDATE scene SET revision = ${revision}, updated_at = CURRENT_TIMESTAMP(3) WHERE id = ${id}`,
      );
    }
    return revision;
  });
}

/** The scene's own part of a document; what belongs to the project lies in its own tables. */
function storedText(document: SceneDocument): string {
  const own: Record<string, unknown> = { ...document };
  for (const collection of PROJECT_COLLECTIONS) own[collection] = {};
  return JSON.stringify(own);
}

export async function makeScene(projectId: string, name: string, document: SceneDocument): Promise<string> {
  return transaction((connection) => makeSceneOn(connection, projectId, name, document));
}

/** A new scene at revision 1; artworks that its document brings are added to the project. */
export async function makeSceneOn(
  connection: Connection,
  projectId: string,
  name: string,
  document: SceneDocument,
): Promise<string> {
  if (!(await rowOf(connection, sql`SELECT id FROM project WHERE id = ${projectId}`))) {
    throw new NotFoundFault(`There is no project ${projectId}.`);
  }
  const id = randomUUID();
  await run(
    connection,
    sql`
    INSERT INTO scene (id, project_id, name, document, document_revision, revision)
    VALUES (${id}, ${projectId}, ${name}, ${storedText(document)}, 1, 1)`,
  );
  const brought = PROJECT_COLLECTIONS.flatMap((collection) =>
    Object.keys(document[collection]).map((recordId) => ({ collection, id: recordId })),
  );
  await writeProjectRecords(connection, projectId, document, brought);
  return id;
}

export async function copyScene(id: string, name: string): Promise<string> {
  return transaction(async (connection) => {
    const row = await sceneRow(connection, id, false);
    return copySceneOn(connection, id, name, row.project_id);
  });
}

export async function copySceneOn(
  connection: Connection,
  id: string,
  name: string,
  projectId: string,
): Promise<string> {
  const row = await sceneRow(connection, id, false);
  const document = await documentOf(connection, row);
  const copyId = randomUUID();
  await run(
    connection,
    sql`
    INSERT INTO scene (id, project_id, name, document, document_revision, revision, picture, picture_revision)
    SELECT ${copyId}, ${projectId}, ${name}, ${storedText(document)}, 1, 1, picture, IF(picture IS NULL, NULL, 1)
    FROM scene WHERE id = ${id}`,
  );
  return copyId;
}

export async function renameScene(id: string, name: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(
      connection,
      sql`
    UPDATE scene SET name = ${name}, updated_at = CURRENT_TIMESTAMP(3) WHERE id = ${id}`,
    ),
  );
}

export async function binScene(id: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(connection, sql`UPDATE scene SET binned_at = CURRENT_TIMESTAMP(3) WHERE id = ${id}`),
  );
}

export async function restoreScene(id: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(connection, sql`UPDATE scene SET binned_at = NULL WHERE id = ${id}`),
  );
}

/** Deletes a scene that lies in the bin for good. */
export async function destroyBinnedScene(id: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(connection, sql`DELETE FROM scene WHERE id = ${id} AND binned_at IS NOT NULL`),
  );
}

async function expectOne(id: string, work: (connection: Connection) => Promise<number>): Promise<void> {
  if ((await withConnection(work)) === 0) throw new NotFoundFault(`There is no scene ${id} to do this with.`);
}
