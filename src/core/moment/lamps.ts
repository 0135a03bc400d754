/** What a placed lamp comes to: its luminaire's parts with what it overrides. */
import type { SceneDocument } from '../scene/document';
import type { Lamp } from '../scene/records/lamp';
import type { FlamePart, LightPart } from '../scene/records/luminaire';

/** A part as a lamp shows it. */
function overridden<T extends LightPart | FlamePart>(lamp: Lamp, part: T): T {
  const own = lamp.overrides[part.id];
  return own ? { ...part, ...own } : part;
}

export function lightPartsOf(scene: SceneDocument, lamp: Lamp): LightPart[] {
  return (scene.luminaires[lamp.luminaireId]?.lights ?? []).map((part) => overridden(lamp, part));
}

export function flamePartsOf(scene: SceneDocument, lamp: Lamp): FlamePart[] {
  return (scene.luminaires[lamp.luminaireId]?.flames ?? []).map((part) => overridden(lamp, part));
}

/** The name of a lamp's part among the lights and sprites of a Moment. */
export function partId(lampId: string, part: { id: string }): string {
  return `${lampId}/${part.id}`;
}

/** The light or lamp that a light of a Moment belongs to, by its name there. */
export function fixtureIdOf(lightId: string): string {
  return lightId.split('/')[0];
}
