import { SCENE_FORMAT, SCENE_VERSION, type SceneDocument } from './document';
import { COLLECTION_NAMES, type Collections } from './records/all-records';
import { HOUSE_CIRCUIT, newCircuit } from './records/circuit';
import { newRecord } from './records/kind';
import { newPlane } from './records/plane';
import { settings as settingsRecord, SETTINGS_ID, type SceneSettings } from './records/settings';

/** A scene with nothing in it but three planes. */
export function newScene(settings: Partial<SceneSettings> = {}): SceneDocument {
  const empty = Object.fromEntries(COLLECTION_NAMES.map((name) => [name, {}])) as unknown as Collections;
  return {
    format: SCENE_FORMAT,
    version: SCENE_VERSION,
    ...empty,
    settings: { [SETTINGS_ID]: newRecord<SceneSettings>(settingsRecord, settings) },
    planes: {
      'plane-far': newPlane({ name: 'Far', order: 'a1' }),
      'plane-middle': newPlane({ name: 'Middle', order: 'a2' }),
      'plane-near': newPlane({ name: 'Near', order: 'a3' }),
    },
    circuits: { [HOUSE_CIRCUIT]: newCircuit({ name: 'House', order: 'a1' }) },
  };
}
