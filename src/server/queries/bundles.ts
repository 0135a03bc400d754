/** Opening a bundle: its pictures become files, its artworks the project's, its document a scene. */
import { randomUUID } from 'node:crypto';
import { readBundle } from '@/core/handoff/bundle';
import { decodePng } from '@/core/raster/png';
import type { SceneDocument, Stroke } from '@/core/scene/document';
import { sameValue } from '@/core/scene/edits';
import { transaction } from '../database/pool';
import type { Connection } from '../database/sql';
import { keepBlobOn, sha256Of } from './blobs';
import { checkFiles, projectRecords } from './project-records';
import { makeSceneOn } from './scenes';

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
    await checkFiles(connection, scene);
    return makeSceneOn(connection, projectId, name, await withFreeIds(connection, projectId, scene));
  });
}

/**
 * Artworks that the project has under the same id but otherwise than the document come in under new ids, their
 * reliefs and strokes with them.
 */
async function withFreeIds(
  connection: Connection,
  projectId: string,
  scene: SceneDocument,
): Promise<SceneDocument> {
  const there = await projectRecords(connection, projectId);
  const renamed = new Map<string, string>();
  for (const id of Object.keys(scene.artworks)) {
    const isSame =
      !there.artworks[id] ||
      (sameValue(there.artworks[id], scene.artworks[id]) &&
        sameValue(there.reliefs[id], scene.reliefs[id]) &&
        sameValue(strokesOf(there, id), strokesOf(scene, id)));
    renamed.set(id, isSame ? id : randomUUID());
  }
  const free = (id: string) => renamed.get(id) ?? id;
  const artworks = mapped(scene.artworks, (id, artwork) => [free(id), artwork]);
  const reliefs = mapped(scene.reliefs, (id, relief) => [
    free(id),
    { ...relief, borrowedId: relief.borrowedId === null ? null : free(relief.borrowedId) },
  ]);
  const strokes = mapped(scene.strokes, (id, stroke) => [
    free(stroke.artworkId) === stroke.artworkId ? id : randomUUID(),
    { ...stroke, artworkId: free(stroke.artworkId) },
  ]);
  const recipes = mapped(scene.recipes, (id, recipe) => [
    !there.recipes[id] || sameValue(there.recipes[id], recipe) ? id : randomUUID(),
    recipe,
  ]);
  const sprites = mapped(scene.sprites, (id, sprite) => [
    id,
    { ...sprite, artworkId: free(sprite.artworkId) },
  ]);
  return { ...scene, artworks, reliefs, strokes, recipes, sprites };
}

function strokesOf({ strokes }: Pick<SceneDocument, 'strokes'>, artworkId: string): Record<string, Stroke> {
  return Object.fromEntries(Object.entries(strokes).filter(([, stroke]) => stroke.artworkId === artworkId));
}

function mapped<T>(
  records: Record<string, T>,
  change: (id: string, record: T) => [string, T],
): Record<string, T> {
  return Object.fromEntries(Object.entries(records).map(([id, record]) => change(id, record)));
}
