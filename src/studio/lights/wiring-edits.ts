/** Wiring many at once: circuits, shadows, levels. Each gives the edits of a single thing, to be put into one step. */
import { inOrder, type SceneDocument } from '@/core/scene/document';
import { applyEdits, changes, type Edit } from '@/core/scene/edits';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import { LIGHT_SCREENS } from './kinds/all-kinds';
import type { FixtureName } from '../store/fixtures';
import type { WiredName } from '../store/wiring-rows';
import { overrideEdits } from '../store/lamp-edits';

/** The circuits that something is on: of a sprite without its own, its plane's. */
export function circuitIdsOf(scene: SceneDocument, { collection, id }: WiredName): readonly string[] {
  const { circuitIds } = scene[collection][id];
  return circuitIds ?? scene.planes[scene.sprites[id].planeId].circuitIds;
}

/** Puts something on a circuit, or takes it off; circuits stand in their order. */
export function circuitEdits(
  scene: SceneDocument,
  name: WiredName,
  circuitId: string,
  isOn: boolean,
): Edit[] {
  if (!scene[name.collection][name.id]) return [];
  const now = circuitIdsOf(scene, name);
  if (now.includes(circuitId) === isOn) return [];
  const next = inOrder(scene.circuits)
    .map(([id]) => id)
    .filter((id) => (id === circuitId ? isOn : now.includes(id)));
  return changes(scene, name.collection, name.id, { circuitIds: next });
}

/** Whether the lights of something throw shadows; null where none of them can. */
export function shadowsOf(
  scene: SceneDocument,
  { collection, id }: FixtureName,
): 'all' | 'some' | 'none' | null {
  const looks = looksOf(scene, { collection, id }).filter(({ kind }) => !LIGHT_SCREENS[kind].isAmbient);
  if (looks.length === 0) return null;
  const count = looks.filter(({ shadows }) => shadows).length;
  return count === 0 ? 'none' : count === looks.length ? 'all' : 'some';
}

/** Shadows of a light, or of all lights of a lamp, by overrides. */
export function shadowEdits(scene: SceneDocument, { collection, id }: FixtureName, shadows: boolean): Edit[] {
  if (collection === 'lights') return scene.lights[id] ? changes(scene, 'lights', id, { shadows }) : [];
  const lamp = scene.lamps[id];
  if (!lamp) return [];
  // Each override is counted from what the one before left.
  const after = lightPartsOf(scene, lamp)
    .filter(({ kind }) => !LIGHT_SCREENS[kind].isAmbient)
    .reduce((now, part) => applyEdits(now, overrideEdits(now, [id], part.id, { shadows })), scene);
  return changes(scene, 'lamps', id, { overrides: after.lamps[id].overrides });
}

function looksOf(scene: SceneDocument, { collection, id }: FixtureName) {
  if (collection === 'lights') return scene.lights[id] ? [scene.lights[id]] : [];
  return scene.lamps[id] ? lightPartsOf(scene, scene.lamps[id]) : [];
}
