/** Opening a bundle: its pictures become files, its artworks the project's, its document a scene. */
import { randomUUID } from 'node:crypto';
import { readBundle } from '@/core/handoff/bundle';
import { decodePng } from '@/core/raster/png';
import type { Artwork, Relief, SceneDocument } from '@/core/scene/document';
import { sameValue } from '@/core/scene/edits';
import { transaction } from '../database/pool';
import { rowsOf, sql, type Connection } from '../database/sql';
import { keepBlobOn, sha256Of } from './blobs';
import { checkFiles, makeSceneOn } from './scenes';

/** @returns the id of the new scene; nothing is kept where anything in the bundle does not fit */
export async function keepBundle(projectId: string, name: string, bytes: Uint8Array): Promise<string> {
  const { scene, pictures } = await readBundle(bytes, sha256Of);
  for (const picture of pictures.values()) decodePng(picture);
  return transaction(async (connection) => {
    for (const picture of pictures.values()) await keepBlobOn(connection, picture, 'image/png');
    return makeSceneOn(connection, projectId, name, await withFreeIds(connection, projectId, scene));
  });
}

/**
 * Makes a scene of a document whose files are stored already, as when someone keeps their own side of a conflict.
 * Artworks that the project lacks, or has otherwise, come in with it.
 */
export async function keepDocument(projectId: string, name: string, scene: SceneDocument): Promise<string> {
  return transaction(async (connection) => {
    await checkFiles(connection, Object.values(scene.artworks));
    return makeSceneOn(connection, projectId, name, await withFreeIds(connection, projectId, scene));
  });
}

/** Artworks that the project has under the same id but otherwise than the bundle come in under new ids. */
async function withFreeIds(
  connection: Connection,
  projectId: string,
  scene: SceneDocument,
): Promise<SceneDocument> {
  const rows = await rowsOf<{ id: string; artwork: string; relief: string | null }>(
    connection,
    sql`
    SELECT artwork.id, artwork.document AS artwork, relief.document AS relief
    FROM artwork LEFT JOIN relief ON relief.project_id = artwork.project_id AND relief.id = artwork.id
    WHERE artwork.project_id = ${projectId}`,
  );
  const there = new Map(rows.map((row) => [row.id, row]));
  const artworks: Record<string, Artwork> = {};
  const reliefs: Record<string, Relief> = {};
  const renamed = new Map<string, string>();
  for (const [id, artwork] of Object.entries(scene.artworks)) {
    const row = there.get(id);
    const relief = scene.reliefs[id];
    const isSame =
      !row ||
      (sameValue(JSON.parse(row.artwork), artwork) &&
        sameValue(row.relief === null ? undefined : JSON.parse(row.relief), relief));
    const free = isSame ? id : randomUUID();
    renamed.set(id, free);
    artworks[free] = artwork;
    if (relief) reliefs[free] = relief;
  }
  const sprites = Object.fromEntries(
    Object.entries(scene.sprites).map(([id, sprite]) => [
      id,
      { ...sprite, artworkId: renamed.get(sprite.artworkId) ?? sprite.artworkId },
    ]),
  );
  return { ...scene, artworks, reliefs, sprites };
}
