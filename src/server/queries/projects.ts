/** Projects, and the list of what they hold. */
import { randomUUID } from 'node:crypto';
import { NotFoundFault } from '../faults';
import { transaction, withConnection } from '../database/pool';
import { rowOf, rowsOf, run, sql, type Connection } from '../database/sql';
import { copyRecords, ofProject } from './records';
import { copySceneOn } from './scenes';

export interface SceneEntry {
  id: string;
  name: string;
  revision: number;
  updatedAt: string;
  isBinned: boolean;
  /** The revision that its small picture shows; null has none yet. */
  pictureRevision: number | null;
}

export interface ProjectEntry {
  id: string;
  name: string;
  isBinned: boolean;
  scenes: SceneEntry[];
}

interface ProjectRow {
  id: string;
  name: string;
  binned_at: string | null;
}

interface SceneRow extends ProjectRow {
  project_id: string;
  revision: number;
  updated_at: string;
  picture_revision: number | null;
}

/** All projects with their scenes, oldest first, binned ones marked. */
export async function allProjects(): Promise<ProjectEntry[]> {
  return withConnection(async (connection) => {
    const projects = await rowsOf<ProjectRow>(
      connection,
      sql`
      SELECT id, name, binned_at FROM project ORDER BY created_at, id`,
    );
    const scenes = await rowsOf<SceneRow>(
      connection,
      sql`
      SELECT id, project_id, name, revision, updated_at, binned_at, picture_revision FROM scene ORDER BY created_at, id`,
    );
    return projects.map(({ id, name, binned_at }) => ({
      id,
      name,
      isBinned: binned_at !== null,
      scenes: scenes.filter((scene) => scene.project_id === id).map(sceneEntry),
    }));
  });
}

function sceneEntry(row: SceneRow): SceneEntry {
  return {
    id: row.id,
    name: row.name,
    revision: row.revision,
    updatedAt: row.updated_at,
    isBinned: row.binned_at !== null,
    pictureRevision: row.picture_revision,
  };
}

export async function makeProject(name: string): Promise<string> {
  return withConnection((connection) => makeProjectOn(connection, name));
}

export async function makeProjectOn(connection: Connection, name: string): Promise<string> {
  const id = randomUUID();
  await run(connection, sql`INSERT INTO project (id, name) VALUES (${id}, ${name})`);
  return id;
}

export async function renameProject(id: string, name: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(
      connection,
      sql`
    UPDATE project SET name = ${name}, updated_at = CURRENT_TIMESTAMP(3) WHERE id = ${id}`,
    ),
  );
}

export async function binProject(id: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(
      connection,
      sql`
    UPDATE project SET binned_at = CURRENT_TIMESTAMP(3) WHERE id = ${id}`,
    ),
  );
}

export async function restoreProject(id: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(connection, sql`UPDATE project SET binned_at = NULL WHERE id = ${id}`),
  );
}

/** Deletes a project that lies in the bin, with its scenes, for good. */
export async function destroyBinnedProject(id: string): Promise<void> {
  await expectOne(id, (connection) =>
    run(
      connection,
      sql`
    DELETE FROM project WHERE id = ${id} AND binned_at IS NOT NULL`,
    ),
  );
}

/** A copy of a project with its artworks and those scenes that are not binned. */
export async function copyProject(id: string, name: string): Promise<string> {
  return transaction(async (connection) => {
    if (!(await rowOf(connection, sql`SELECT id FROM project WHERE id = ${id}`))) {
      throw new NotFoundFault(`There is no project ${id}.`);
    }
    const copyId = await makeProjectOn(connection, name);
    await run(
      connection,
      sql`UPDATE project SET counts = (SELECT counts FROM (SELECT counts FROM project WHERE id = ${id}) AS other) WHERE id = ${copyId}`,
    );
    await copyRecords(connection, ofProject(id), ofProject(copyId));
    const scenes = await rowsOf<{ id: string; name: string }>(
      connection,
      sql`
      SELECT id, name FROM scene WHERE project_id = ${id} AND binned_at IS NULL ORDER BY created_at, id`,
    );
    for (const scene of scenes) await copySceneOn(connection, scene.id, scene.name, copyId);
    return copyId;
  });
}

async function expectOne(id: string, work: (connection: Connection) => Promise<number>): Promise<void> {
  if ((await withConnection(work)) === 0)
    throw new NotFoundFault(`There is no project ${id} to do this with.`);
}
