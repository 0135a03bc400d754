/** Scenes: opened, made, copied, renamed, binned. Their documents are the sets of their records. */
import { randomUUID } from 'node:crypto';
import { SCENE_FORMAT, SCENE_VERSION, type SceneDocument } from '@/core/scene/document';
import { COLLECTION_NAMES, PROJECT_COLLECTIONS, SCENE_COLLECTIONS } from '@/core/scene/records/all-records';
import type { Fields } from '@/core/scene/edits';
import { checkCount } from '@/core/scene/read-scene';
import { NotFoundFault } from '../faults';
import { snapshot, transaction, withConnection } from '../database/pool';
import { batch, rowOf, rowsOf, run, sql, tuples, type Connection } from '../database/sql';
import { lockProject, projectChangeQueries } from './patches';
import {
  copyRecords,
  countRecords,
  countsOf,
  ofProject,
  ofScene,
  partedRecords,
  readRecords,
  readTexts,
  restOf,
  writeQueries,
  type Counts,
  type Records,
} from './records';
import { keepSnapshot, recordsAt } from './revisions';

export interface SceneFacts {
  id: string;
  name: string;
  projectId: string;
  projectName: string;
  revision: number;
  /** How often the shared records of its project were changed. */
  changeNumber: number;
}

export interface OpenScene extends SceneFacts {
  document: SceneDocument;
}

interface SceneRow {
  name: string;
  project_id: string;
  project_name: string;
  revision: number;
  change_number: number;
  rest: string;
}

/**
 * A scene as one JSON text: what it is, and its document. All of it is read at one point in time; records are passed on as the
 * texts that they are stored as.
 */
export async function openSceneText(id: string): Promise<{ text: string; revision: number }> {
  return snapshot(async (connection) => {
    const { rest, ...facts } = await factsOf(connection, id);
    const document = await documentText(connection, facts, rest);
    return {
      text: `${JSON.stringify(facts).slice(0, -1)},"document":${document}}`,
      revision: facts.revision,
    };
  });
}

/** @throws NotFoundFault where there is no such scene */
export async function expectScene(id: string): Promise<void> {
  if (!(await withConnection((connection) => rowOf(connection, sql`SELECT id FROM scene WHERE id = ${id}`))))
    throw new NotFoundFault(`There is no scene ${id}.`);
}

/** Those of the scenes that are there. */
export async function scenesThatAre(ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const rows = await withConnection((connection) =>
    rowsOf<{ id: string }>(connection, sql`SELECT id FROM scene WHERE id IN ${tuples([ids])}`),
  );
  return new Set(rows.map(({ id }) => id));
}

export async function openScene(id: string): Promise<OpenScene> {
  return JSON.parse((await openSceneText(id)).text) as OpenScene;
}

/** With the fields of its document that are none of its collections, as a JSON text. */
async function factsOf(connection: Connection, id: string): Promise<SceneFacts & { rest: string }> {
  const row = await rowOf<SceneRow>(
    connection,
    sql`
    SELECT scene.name, project_id, project.name AS project_name, revision, change_number, rest
    FROM scene JOIN project ON project.id = project_id WHERE scene.id = ${id}`,
  );
  if (!row) throw new NotFoundFault(`There is no scene ${id}.`);
  return {
    id,
    name: row.name,
    projectId: row.project_id,
    projectName: row.project_name,
    revision: row.revision,
    changeNumber: row.change_number,
    rest: row.rest,
  };
}

async function documentText(
  connection: Connection,
  { id, projectId }: SceneFacts,
  rest: string,
): Promise<string> {
  const texts = new Map<string, string[]>(COLLECTION_NAMES.map((collection) => [collection, []]));
  for (const rows of [
    await readTexts(connection, ofScene(id)),
    await readTexts(connection, ofProject(projectId)),
  ])
    for (const row of rows) texts.get(row.collection)?.push(`${JSON.stringify(row.id)}:${row.document}`);
  const collections = [...texts].map(([collection, records]) => `"${collection}":{${records.join(',')}}`);
  const others = rest === '{}' ? '' : `,${rest.slice(1, -1)}`;
  return `{"format":"${SCENE_FORMAT}","version":${SCENE_VERSION},${collections.join(',')}${others}}`;
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
  const { changeNumber } = await lockProject(connection, projectId);
  const id = randomUUID();
  const records = document as unknown as Records;
  const { scene, project } = partedRecords(records);
  const own = Object.fromEntries(
    SCENE_COLLECTIONS.map((collection) => [collection, records[collection]]),
  ) as Records;
  await run(
    connection,
    sql`
    INSERT INTO scene (id, project_id, name, revision, counts, rest)
    VALUES (${id}, ${projectId}, ${name}, 1, ${JSON.stringify(countsOf(own))}, ${JSON.stringify(restOf(document))})`,
  );
  await batch(connection, writeQueries(ofScene(id), scene));
  await keepSnapshot(connection, id, 1, own);
  if (project.length > 0) {
    await batch(connection, writeQueries(ofProject(projectId), project));
    const edits = project.map(({ collection, id: recordId, record }) => ({
      ...{ collection, id: recordId, before: null, after: record as Fields },
    }));
    const change = {
      ...{ projectId, sceneId: id, transactionId: id, author: null, edits, overwritten: [] },
      ...{ counts: await countedAnew(connection, projectId), changeNumber: changeNumber + 1 },
    };
    await batch(connection, projectChangeQueries(change));
  }
  return id;
}

/**
 * The counts of a project's records after some were added, of which nobody knows how many were new.
 * @throws InputFault where there are more than there may be
 */
async function countedAnew(connection: Connection, projectId: string): Promise<Counts> {
  const counts = await countRecords(connection, ofProject(projectId));
  for (const collection of PROJECT_COLLECTIONS) checkCount(collection, counts[collection] ?? 0);
  return counts;
}

export async function copyScene(id: string, name: string): Promise<string> {
  return transaction(async (connection) => {
    const { projectId } = await factsOf(connection, id);
    return copySceneOn(connection, id, name, projectId);
  });
}

export async function copySceneOn(
  connection: Connection,
  id: string,
  name: string,
  projectId: string,
): Promise<string> {
  const copyId = randomUUID();
  const made = await run(
    connection,
    sql`
    INSERT INTO scene (id, project_id, name, revision, counts, rest, picture, picture_revision)
    SELECT ${copyId}, ${projectId}, ${name}, 1, counts, rest, picture, IF(picture IS NULL, NULL, 1)
    FROM scene WHERE id = ${id}`,
  );
  if (made === 0) throw new NotFoundFault(`There is no scene ${id}.`);
  await copyRecords(connection, ofScene(id), ofScene(copyId));
  await keepSnapshot(connection, copyId, 1, await readRecords(connection, ofScene(copyId)));
  return copyId;
}

/**
 * A scene as it was at a revision, with what its project shares as that is now.
 * @throws NotFoundFault where the scene never was at that revision
 */
export async function documentAt(id: string, revision: number): Promise<SceneDocument> {
  const { document } = await openScene(id);
  const records = await recordsAt(id, revision);
  const own = Object.fromEntries(
    SCENE_COLLECTIONS.map((collection) => [collection, records[collection] ?? {}]),
  );
  return { ...document, ...own };
}

/** A new scene that begins as another one was at a revision. */
export async function branchScene(id: string, revision: number, name: string): Promise<string> {
  const records = await recordsAt(id, revision);
  return transaction(async (connection) => {
    const { projectId } = await factsOf(connection, id);
    const branchId = await copySceneOn(connection, id, name, projectId);
    await run(connection, sql`DELETE FROM scene_record WHERE owner_id = ${branchId}`);
    const { scene } = partedRecords(records);
    await batch(connection, writeQueries(ofScene(branchId), scene));
    await run(
      connection,
      sql`
      UPDATE scene SET counts = ${JSON.stringify(countsOf(records))}, picture = NULL, picture_revision = NULL
      WHERE id = ${branchId}`,
    );
    await run(connection, sql`DELETE FROM scene_snapshot WHERE scene_id = ${branchId}`);
    await keepSnapshot(connection, branchId, 1, records);
    return branchId;
  });
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
