/** What a placed lamp comes to: its luminaire's parts with what it overrides. */
import type { SceneDocument } from './document';
import type { Lamp } from './records/lamp';
import type { FlamePart, LightPart } from './records/luminaire';

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
