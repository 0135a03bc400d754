/** The demos in the database: when it is empty, or when someone asks for it back. */
import { bundlePictures } from '@/core/handoff/bundle';
import { renderReference } from '@/core/light/reference';
import { LIMITS } from '@/core/limits';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { enlarged } from '@/core/raster/image';
import { encodePng } from '@/core/raster/png';
import { settingsOf } from '@/core/scene/document';
import type { DemoScene } from '@/demo/demo-scene';
import { fennelHalt } from '@/demo/fennel-halt';
import { orchidHouse } from '@/demo/orchid/orchid-house';
import type { DatabaseNodes } from './database/nodes';
import { transaction } from './database/pool';
import { rowOf, sql } from './database/sql';
import { keepBlobOn, sha256Of } from './queries/blobs';
import { makeProjectOn } from './queries/projects';
import { keepScenePictureOn } from './queries/scene-pictures';
import { makeSceneOn } from './queries/scenes';

/** Adds the demos as new projects. @returns the id of the first one's scene */
export async function seedDemo(pool: DatabaseNodes): Promise<string> {
  const first = await addDemo(pool, fennelHalt(sha256Of));
  await addDemo(pool, orchidHouse(sha256Of));
  return first;
}

async function addDemo(pool: DatabaseNodes, demo: DemoScene): Promise<string> {
  return transaction(async (connection) => {
    for (const picture of demo.pictures.values()) await keepBlobOn(connection, picture, 'image/png');
    const projectId = await makeProjectOn(connection, demo.projectName);
    const sceneId = await makeSceneOn(connection, projectId, demo.sceneName, demo.document);
    await keepScenePictureOn(connection, sceneId, stillOf(demo));
    return sceneId;
  }, pool);
}

/** The gate, or a part of it, at the hour at which the scene opens, drawn by the reference renderer. */
function stillOf({ document, pictures, still }: DemoScene): Uint8Array {
  const { clockHours } = settingsOf(document);
  const moment = momentAt(document, clockHours, 0, NOTHING_PASSING, {
    ...gateView(document),
    ...still,
  });
  const picture = renderReference(moment, bundlePictures({ scene: document, files: pictures }));
  // Small ones are enlarged by whole steps, so that they are shown crisp.
  const times = Math.max(1, Math.floor(LIMITS.scenePictureSidePx / Math.max(picture.width, picture.height)));
  return encodePng(enlarged(picture, times));
}

/** Adds the demo where there is no project at all. */
export async function seedWhenEmpty(pool: DatabaseNodes): Promise<void> {
  const any = await transaction((connection) => rowOf(connection, sql`SELECT id FROM project LIMIT 1`), pool);
  if (!any) await seedDemo(pool);
}
