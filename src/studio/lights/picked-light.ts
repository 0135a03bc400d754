/** A light that is picked on the stage, wherever it belongs: one of the scene, or a part of a placed lamp. */
import { affineOf, applyTo, composed, type Affine } from '@/core/geometry/affine';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import { Standing } from '@/core/moment/standing';
import type { SceneDocument } from '@/core/scene/document';
import { changes, type Edit } from '@/core/scene/edits';
import type { Fixture } from '@/core/scene/records/fixture';
import type { LightLook } from '@/core/scene/records/light-look';
import type { LightPart } from '@/core/scene/records/luminaire';
import { overrideEdits } from '../store/lamp-edits';
import type { Picked } from '../store/scene-store';

/** Which light: by its id, or by its lamp's and its part's. */
export interface LightName {
  id: string;
  partId: string | null;
}

/** How a light looks, and its place on the ground. */
export type StandingLook = LightLook & { x: number; y: number };

export interface PickedLight extends LightName {
  light: StandingLook;
  fixture: Fixture;
  /** From where its place is counted to the scene, and from its own figure, turned. */
  ground: Affine;
  figure: Affine;
  /** Where it is drawn. */
  place: [number, number];
}

/** The part of a lamp that is worked on: the chosen one, or its first light. */
export function chosenPart(
  scene: SceneDocument,
  lampId: string,
  partId: string | null,
): LightPart | undefined {
  const lamp = scene.lamps[lampId];
  const parts = lamp ? lightPartsOf(scene, lamp) : [];
  return parts.find(({ id }) => id === partId) ?? parts[0];
}

/** @param partId the part of a lamp that is worked on @returns null where what is picked is no light, or stands nowhere */
export function pickedLight(
  scene: SceneDocument,
  { collection, id }: Picked,
  partId: string | null,
  seconds: number,
): PickedLight | null {
  const standing = new Standing(scene, seconds);
  if (collection === 'lights') {
    const light = scene.lights[id];
    const ground = light && standing.ground(light);
    return ground ? placed({ id, partId: null }, light, light, ground) : null;
  }
  if (collection !== 'lamps') return null;
  const lamp = scene.lamps[id];
  const part = chosenPart(scene, id, partId);
  const ground = lamp && standing.lamp(lamp);
  return part && ground ? placed({ id, partId: part.id }, part, lamp, ground) : null;
}

function placed(name: LightName, light: StandingLook, fixture: Fixture, ground: Affine): PickedLight {
  const { x, y, turnDeg } = light;
  const turned = affineOf({ x, y, turnDeg, scaleX: 1, scaleY: 1, flipX: false, flipY: false }, 0, 0);
  return { ...name, light, fixture, ground, figure: composed(ground, turned), place: applyTo(ground, x, y) };
}

/** How a light of that name looks now. */
export function lightOf(scene: SceneDocument, { id, partId }: LightName): StandingLook | undefined {
  return partId === null ? scene.lights[id] : chosenPart(scene, id, partId);
}

/** The edits that change a light; those of a lamp's part are overrides of this lamp. */
export function lightEdits(
  scene: SceneDocument,
  { id, partId }: LightName,
  fields: Partial<StandingLook>,
): Edit[] {
  if (partId !== null) return overrideEdits(scene, [id], partId, fields);
  return changes(scene, 'lights', id, fields);
}
