/** What belongs to a project and is shared by its scenes: artworks, reliefs, strokes, recipes; each in its own table. */
import { InputFault } from '@/core/faults';
import {
  PROJECT_COLLECTIONS,
  type Artwork,
  type ProjectCollection,
  type ProjectRecords,
  type Relief,
  type SceneDocument,
  type Stroke,
} from '@/core/scene/document';
import type { Edit } from '@/core/scene/edits';
import { upgradedArtwork, upgradedRelief } from '@/core/scene/versions';
import { rowsOf, run, sql, type Connection, type Query } from '../database/sql';
import { missingBlobs } from './blobs';

interface Table {
  all(projectId: string): Query;
  put(projectId: string, id: string, text: string): Query;
  drop(projectId: string, id: string): Query;
  copy(fromProjectId: string, toProjectId: string): Query;
}

const TABLES: Record<ProjectCollection, Table> = {
  artworks: {
    all: (project) => sql`SELECT id, document FROM artwork WHERE project_id = ${project} ORDER BY id`,
    put: (project, id, text) =>
      sql`INSERT INTO artwork (project_id, id, document) VALUES (${project}, ${id}, ${text}) ON DUPLICATE KEY UPDATE document = ${text}`,
    drop: (project, id) => sql`DELETE FROM artwork WHERE project_id = ${project} AND id = ${id}`,
    copy: (from, to) =>
      sql`INSERT INTO artwork (project_id, id, document) SELECT ${to}, id, document FROM artwork WHERE project_id = ${from}`,
  },
  reliefs: {
    all: (project) => sql`SELECT id, document FROM relief WHERE project_id = ${project} ORDER BY id`,
    put: (project, id, text) =>
      sql`INSERT INTO relief (project_id, id, document) VALUES (${project}, ${id}, ${text}) ON DUPLICATE KEY UPDATE document = ${text}`,
    drop: (project, id) => sql`DELETE FROM relief WHERE project_id = ${project} AND id = ${id}`,
    copy: (from, to) =>
      sql`INSERT INTO relief (project_id, id, document) SELECT ${to}, id, document FROM relief WHERE project_id = ${from}`,
  },
  strokes: {
    all: (project) => sql`SELECT id, document FROM stroke WHERE project_id = ${project} ORDER BY id`,
    put: (project, id, text) =>
      sql`INSERT INTO stroke (project_id, id, document) VALUES (${project}, ${id}, ${text}) ON DUPLICATE KEY UPDATE document = ${text}`,
    drop: (project, id) => sql`DELETE FROM stroke WHERE project_id = ${project} AND id = ${id}`,
    copy: (from, to) =>
      sql`INSERT INTO stroke (project_id, id, document) SELECT ${to}, id, document FROM stroke WHERE project_id = ${from}`,
  },
  recipes: {
    all: (project) => sql`SELECT id, document FROM shelf_recipe WHERE project_id = ${project} ORDER BY id`,
    put: (project, id, text) =>
      sql`INSERT INTO shelf_recipe (project_id, id, document) VALUES (${project}, ${id}, ${text}) ON DUPLICATE KEY UPDATE document = ${text}`,
    drop: (project, id) => sql`DELETE FROM shelf_recipe WHERE project_id = ${project} AND id = ${id}`,
    copy: (from, to) =>
      sql`INSERT INTO shelf_recipe (project_id, id, document) SELECT ${to}, id, document FROM shelf_recipe WHERE project_id = ${from}`,
  },
};

export async function projectRecords(connection: Connection, projectId: string): Promise<ProjectRecords> {
  const read = async <T>(
    collection: ProjectCollection,
    upgrade: (record: Record<string, unknown>) => object,
  ) => {
    const rows = await rowsOf<{ id: string; document: string }>(
      connection,
      TABLES[collection].all(projectId),
    );
    return Object.fromEntries(
      rows.map(({ id, document }) => [id, upgrade(JSON.parse(document) as Record<string, unknown>) as T]),
    );
  };
  // Rows are shared by scenes of every age: they are brought up to date by themselves.
  return {
    artworks: await read<Artwork>('artworks', upgradedArtwork),
    reliefs: await read<Relief>('reliefs', upgradedRelief),
    strokes: await read('strokes', (record) => record),
    recipes: await read('recipes', (record) => record),
  };
}

export async function writeProjectRecords(
  connection: Connection,
  projectId: string,
  after: SceneDocument,
  edits: readonly Pick<Edit, 'collection' | 'id'>[],
): Promise<void> {
  for (const { collection, id } of edits) {
    if (!isOfProject(collection)) continue;
    const record = after[collection][id];
    const table = TABLES[collection];
    await run(
      connection,
      record ? table.put(projectId, id, JSON.stringify(record)) : table.drop(projectId, id),
    );
  }
}

export async function copyProjectRecords(connection: Connection, from: string, to: string): Promise<void> {
  for (const collection of PROJECT_COLLECTIONS) await run(connection, TABLES[collection].copy(from, to));
}

function isOfProject(collection: string): collection is ProjectCollection {
  return (PROJECT_COLLECTIONS as readonly string[]).includes(collection);
}

/** The files that records name, by their hash. */
export function filesOf(records: Partial<ProjectRecords>): string[] {
  const hashes = [
    ...Object.values(records.artworks ?? {}).flatMap(({ imageSha, glowSha }: Artwork) => [imageSha, glowSha]),
    ...Object.values(records.reliefs ?? {}).flatMap(({ normals, heights, rimSha, occlusionSha }: Relief) => [
      normals?.sha ?? null,
      heights?.sha ?? null,
      rimSha,
      occlusionSha,
    ]),
    ...Object.values(records.strokes ?? {}).map(({ pictureSha }: Stroke) => pictureSha),
  ];
  return [...new Set(hashes)].filter((sha): sha is string => sha !== null);
}

/** @throws InputFault where a file that a record names was not stored */
export async function checkFiles(connection: Connection, records: Partial<ProjectRecords>): Promise<void> {
  const [missing] = await missingBlobs(connection, filesOf(records));
  if (missing)
    throw new InputFault(`The file ${missing} that an artwork names was not uploaded.`, 'artworks');
}

/** The records that edits touched and left standing, by collection. */
export function touchedRecords(after: SceneDocument, edits: readonly Edit[]): Partial<ProjectRecords> {
  const out: Record<string, Record<string, unknown>> = {};
  for (const { collection, id } of edits) {
    if (!isOfProject(collection)) continue;
    const record = after[collection][id];
    if (record) (out[collection] ??= {})[id] = record;
  }
  return out as Partial<ProjectRecords>;
}
