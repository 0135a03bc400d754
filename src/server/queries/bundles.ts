/** Opening a bundle: its files are kept, its artworks the project's, its document a scene. */
import { randomUUID } from 'node:crypto';
import type { SceneDocument } from '@/core/scene/document';
import type { Stroke } from '@/core/scene/records/stroke';
import { sameValue } from '@/core/scene/edits';
import {
  COLLECTION_NAMES,
  PROJECT_COLLECTIONS,
  type Collections,
  type ProjectRecords,
} from '@/core/scene/records/all-records';
import { renamedRecords } from '@/core/scene/references';
import { transaction } from '../database/pool';
import type { Connection } from '../database/sql';
import { readSent } from '../reading/reader';
import { keepBlobOn, typeOfFile } from './blobs';
import { expectFiles } from './files';
import { ofProject, partedRecords, readRecords, type Records } from './records';
import { makeSceneOn } from './scenes';

const NOTHING = Object.fromEntries(PROJECT_COLLECTIONS.map((collection) => [collection, {}]));

/** @returns the id of the new scene; nothing is kept where anything in the bundle does not fit */
export async function keepBundle(projectId: string, name: string, bytes: Uint8Array): Promise<string> {
  const { scene, files } = await readSent('bundle', bytes);
  return transaction(async (connection) => {
    for (const file of files.values()) await keepBlobOn(connection, file, typeOfFile(file));
    return makeSceneOn(connection, projectId, name, await withFreeIds(connection, projectId, scene));
  });
}

/**
 * Makes a scene of a document whose files are stored already, as when someone keeps their own side of a conflict.
 * Artworks that the project lacks, or has otherwise, come in with it.
 */
export async function keepDocument(projectId: string, name: string, scene: SceneDocument): Promise<string> {
  return transaction(async (connection) => {
    await expectFiles(connection, partedRecords(scene as unknown as Records).project);
    return makeSceneOn(connection, projectId, name, await withFreeIds(connection, projectId, scene));
  });
}

/**
 * What the project has under the same id but otherwise than the document comes in under new ids: artworks with their
 * reliefs and strokes, luminaires, recipes, looks and lookup tables.
 */
async function withFreeIds(
  connection: Connection,
  projectId: string,
  scene: SceneDocument,
): Promise<SceneDocument> {
  const there = {
    ...NOTHING,
    ...(await readRecords(connection, ofProject(projectId), PROJECT_COLLECTIONS)),
  } as unknown as ProjectRecords;
  const renamed = new Map<string, string>();
  const isSameArt = (id: string) =>
    sameValue(there.artworks[id], scene.artworks[id]) &&
    sameValue(there.reliefs[id], scene.reliefs[id]) &&
    sameValue(strokesOf(there, id), strokesOf(scene, id));
  for (const id of Object.keys(scene.artworks)) {
    if (!there.artworks[id] || isSameArt(id)) continue;
    renamed.set(`artworks/${id}`, randomUUID());
    for (const strokeId of Object.keys(strokesOf(scene, id)))
      renamed.set(`strokes/${strokeId}`, randomUUID());
  }
  for (const collection of ['luminaires', 'recipes', 'looks', 'tables'] as const) {
    for (const [id, record] of Object.entries(scene[collection])) {
      const other = there[collection][id];
      if (other && !sameValue(other, record)) renamed.set(`${collection}/${id}`, randomUUID());
    }
  }
  const known = COLLECTION_NAMES.map((collection) => [collection, scene[collection]]);
  const collections = Object.fromEntries(known) as unknown as Collections;
  const records = renamedRecords(collections, (collection, id) => renamed.get(`${collection}/${id}`) ?? id);
  // Fields that are none of its collections stay.
  return { ...scene, ...records };
}

function strokesOf({ strokes }: Pick<SceneDocument, 'strokes'>, artworkId: string): Record<string, Stroke> {
  return Object.fromEntries(Object.entries(strokes).filter(([, stroke]) => stroke.artworkId === artworkId));
}
