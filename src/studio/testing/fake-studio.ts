/** A studio without workers, server and page: the stores are the real ones. */
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { drawnRows } from '@/core/moment/rows';
import type { PictureSource } from '@/core/moment/moment';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import type { CollectionName, RecordOf } from '@/core/scene/records/all-records';
import { change } from '@/core/scene/edits';
import { SETTINGS_ID, type SceneSettings } from '@/core/scene/records/settings';
import { createArtBench } from '../store/art-bench';
import { createDesk } from '../store/desk-store';
import { createExportOptions } from '../store/export-options';
import { createLive } from '../store/live';
import { createPreferences } from '../store/preferences';
import { createReliefBench } from '../store/relief-bench';
import { SceneStore, type Picked } from '../store/scene-store';
import type { Studio } from '../store/studio';

export function fakeStudio(scene: SceneDocument = newScene(), source: PictureSource = () => null): Studio {
  const scenes = new SceneStore(scene);
  const desk = createDesk('stage');
  desk.setState({ planeId: inOrder(scene.planes).at(-1)![0] });
  const fake = {
    info: { id: 'scene', name: 'Scene', projectId: 'project', projectName: 'Project' },
    scenes,
    desk,
    live: createLive(12),
    artBench: createArtBench(),
    reliefBench: createReliefBench(),
    exportOptions: createExportOptions(null),
    preferences: createPreferences(false),
    pictures: { source },
    get scene() {
      return scenes.state.scene;
    },
    get rows() {
      return drawnRows(scenes.state.scene);
    },
    set<C extends CollectionName>(label: string, collection: C, id: string, fields: Partial<RecordOf<C>>) {
      const edit = change(scenes.state.scene, collection, id, fields);
      if (edit) scenes.transact({ label, edits: [edit] });
    },
    setSettings: (label: string, fields: Partial<SceneSettings>) =>
      fake.set(label, 'settings', SETTINGS_ID, fields),
    pickedOf: (collection: CollectionName) =>
      scenes.state.selection.filter((picked) => picked.collection === collection).map((picked) => picked.id),
    pick: (...selection: Picked[]) => scenes.select(selection),
    occluders: (seconds = 0) => new MomentMaker().occluders(scenes.state.scene, seconds, NOTHING_PASSING),
    ambient: () => ({ colour: '#ffffff', level: scenes.state.scene.settings.scene.ambientLevel }),
    planeId: () => desk.getState().planeId ?? '',
    say: (notice: string | null) => desk.setState({ notice }),
    mention: (mention: string | null) => desk.setState({ mention }),
  };
  return fake as unknown as Studio;
}
