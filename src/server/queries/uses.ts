/** Where things of a project are used. */
import { neededRecords } from '@/core/scene/references';
import { withConnection } from '../database/pool';
import { rowsOf, sql } from '../database/sql';
import { openScene } from './scenes';

/** What is asked for before it is deleted. */
export const USED = ['artworks', 'luminaires'] as const;
export type Used = (typeof USED)[number];

export interface SceneUse {
  id: string;
  name: string;
}

/** The scenes of a project, those in the bin left out, that show an artwork or a luminaire, or need it for what they show. */
export async function usesOf(projectId: string, collection: Used, recordId: string): Promise<SceneUse[]> {
  const scenes = await withConnection((connection) =>
    rowsOf<SceneUse>(
      connection,
      sql`SELECT id, name FROM scene WHERE project_id = ${projectId} AND binned_at IS NULL ORDER BY created_at, id`,
    ),
  );
  const uses: SceneUse[] = [];
  for (const { id, name } of scenes) {
    const { document } = await openScene(id);
    if (neededRecords(document, document)[collection][recordId]) uses.push({ id, name });
  }
  return uses;
}
