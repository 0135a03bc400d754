/** Lights and occluders of a Moment by their names in the document, and how to change them there. */
import type { OccluderSource } from '../moment/occluders';
import { fixtureIdOf, partIdOf } from '../moment/part-names';
import type { SceneDocument } from '../scene/document';
import { change, type Edit } from '../scene/edits';
import { lightPartsOf } from '../scene/lamp-parts';
import type { Lamp } from '../scene/records/lamp';
import type { Light } from '../scene/records/light';
import type { LightLook } from '../scene/records/light-look';
import type { RecordName } from '../scene/references';

/** A light of the scene, or the part of a lamp that shines. */
export interface NamedLight {
  record: { collection: 'lights' | 'lamps'; id: string };
  /** Of a lamp; null is a light of the scene. */
  partId: string | null;
  name: string;
  look: LightLook;
}

/** @param lightId as Moments have it */
export function namedLight(scene: SceneDocument, lightId: string): NamedLight {
  const id = fixtureIdOf(lightId);
  const light = scene.lights[id];
  if (light) return { record: { collection: 'lights', id }, partId: null, name: light.name, look: light };
  const lamp = scene.lamps[id];
  const partId = partIdOf(lightId);
  const part = lightPartsOf(scene, lamp).find((one) => one.id === partId)!;
  return { record: { collection: 'lamps', id }, partId, name: `${lamp.name}, ${part.name}`, look: part };
}

/** What a light and a lamp have in common, changed. */
export function changedFixture(
  scene: SceneDocument,
  { record: { collection, id } }: Pick<NamedLight, 'record'>,
  fields: Partial<Light> & Partial<Lamp>,
): Edit | null {
  return collection === 'lights' ? change(scene, 'lights', id, fields) : change(scene, 'lamps', id, fields);
}

/** How a light looks, changed: of a lamp as an override of its own, so that other lamps stay as they are. */
export function changedLook(
  scene: SceneDocument,
  { record: { collection, id }, partId }: Pick<NamedLight, 'record' | 'partId'>,
  fields: Partial<LightLook>,
): Edit | null {
  if (collection === 'lights') return change(scene, 'lights', id, fields);
  const { overrides } = scene.lamps[id];
  const own = { ...overrides[partId!], ...fields };
  return change(scene, 'lamps', id, { overrides: { ...overrides, [partId!]: own } });
}

/** What an occluder of a Moment belongs to: itself, the sprite that brings it along, or the plane of its tiles. */
export function namedOccluder(
  scene: SceneDocument,
  { id, name, spriteId, planeId }: OccluderSource,
): { record: RecordName; words: string } {
  if (scene.occluders[id]) return { record: { collection: 'occluders', id }, words: `“${name}”` };
  if (spriteId !== null)
    return { record: { collection: 'sprites', id: spriteId }, words: `“${scene.sprites[spriteId].name}”` };
  return { record: { collection: 'planes', id: planeId }, words: `the wall of “${name}”` };
}
