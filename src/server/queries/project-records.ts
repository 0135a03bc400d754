/** What belongs to a project and is shared by its scenes: artworks, reliefs, strokes, recipes, luminaires; each in its own table. */
import { InputFault } from '@/core/faults';
import type { SceneDocument } from '@/core/scene/document';
import {
  isOfProject,
  PROJECT_COLLECTIONS,
  type ProjectCollection,
  type ProjectRecords,
} from '@/core/scene/records/all-records';
import type { Edit } from '@/core/scene/edits';
import { filesNamedBy } from '@/core/scene/references';
import { upgradedRecord } from '@/core/scene/versions/all-versions';
import { rowsOf, run, sql, table, type Connection, type RecordTable } from '../database/sql';
import { missingBlobs } from './blobs';

const TABLES: Record<ProjectCollection, RecordTable> = {
  artworks: 'artwork',
  reliefs: 'relief',
  strokes: 'stroke',
  recipes: 'shelf_recipe',
  luminaires: 'shelf_luminaire',
};

type Json = Record<string, unknown>;

export async function projectRecords(connection: Connection, projectId: string): Promise<ProjectRecords> {
  const all: Record<string, Record<string, Json>> = {};
  for (const collection of PROJECT_COLLECTIONS) {
    const rows = await rowsOf<{ id: string; document: string }>(
      connection,
      sql`SELECT id, document FROM ${table(TABLES[collection])} WHERE project_id = ${projectId} ORDER BY id`,
    );
    all[collection] = Object.fromEntries(
      rows.map(({ id, document }) => [id, upgradedRecord(collection, JSON.parse(document) as Json)]),
    );
  }
  return all as unknown as ProjectRecords;
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
    const own = table(TABLES[collection]);
    const text = record && JSON.stringify(record);
    await run(
      connection,
      text
        ? sql`INSERT INTO ${own} (project_id, id, document) VALUES (${projectId}, ${id}, ${text}) ON DUPLICATE KEY UPDATE document = ${text}`
        : sql`DELETE FROM ${own} WHERE project_id = ${projectId} AND id = ${id}`,
    );
  }
}

export async function copyProjectRecords(connection: Connection, from: string, to: string): Promise<void> {
  for (const collection of PROJECT_COLLECTIONS) {
    const own = table(TABLES[collection]);
    await run(
      connection,
      sql`INSERT INTO ${own} (project_id, id, document) SELECT ${to}, id, document FROM ${own} WHERE project_id = ${from}`,
    );
  }
}

/** The files that records name, by their hash. */
export function filesOf(records: Partial<ProjectRecords>): string[] {
  const all = Object.entries(records) as [ProjectCollection, Record<string, unknown>][];
  return [
    ...new Set(
      all.flatMap(([collection, own]) => Object.values(own).flatMap((one) => filesNamedBy(collection, one))),
    ),
  ];
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
