/** The demo in the database: when it is empty, or when someone asks for it back. */
import { fennelHalt } from '@/demo/fennel-halt';
import { transaction } from './database/pool';
import { rowOf, sql } from './database/sql';
import { keepBlobOn, sha256Of } from './queries/blobs';
import { makeProjectOn } from './queries/projects';
import { makeSceneOn } from './queries/scenes';
import type { Pool } from 'mysql2/promise';

/** Adds the demo as a new project. @returns the id of its scene */
export async function seedDemo(pool: Pool): Promise<string> {
  const demo = fennelHalt(sha256Of);
  return transaction(async (connection) => {
    for (const picture of demo.pictures.values()) await keepBlobOn(connection, picture, 'image/png');
    const projectId = await makeProjectOn(connection, demo.projectName);
    return makeSceneOn(connection, projectId, demo.sceneName, demo.document);
  }, pool);
}

/** Adds the demo where there is no project at all. */
export async function seedWhenEmpty(pool: Pool): Promise<void> {
  const any = await transaction((connection) => rowOf(connection, sql`SELECT id FROM project LIMIT 1`), pool);
  if (!any) await seedDemo(pool);
}
