/** The parts of a luminaire: added, taken out. All lamps of it have them. */
import { LIMITS } from '@/core/limits';
import type { SceneDocument } from '@/core/scene/document';
import { change, type Edit, type Fields } from '@/core/scene/edits';
import { newFlamePart, newLightPart } from '@/core/scene/records/luminaire';
import { freshId, type Studio } from './studio';

/** Adds a light to a luminaire, in its middle, and works on it. */
export function addLightPart(studio: Studio, luminaireId: string): void {
  const { lights } = studio.scene.luminaires[luminaireId];
  if (isFull(studio, lights)) return;
  const part = newLightPart({ id: freshId(), name: `Light ${lights.length + 1}` });
  studio.set('Add a light to a luminaire', 'luminaires', luminaireId, { lights: [...lights, part] });
  studio.desk.setState({ partId: part.id });
}

/** Adds the sprite of a flame to a luminaire, in its middle, and works on it. */
export function addFlamePart(studio: Studio, luminaireId: string, artworkId: string): void {
  const { lights, flames } = studio.scene.luminaires[luminaireId];
  if (isFull(studio, flames)) return;
  const { name } = studio.scene.artworks[artworkId];
  const part = newFlamePart({ id: freshId(), name, artworkId, glowsWithId: lights.at(0)?.id ?? null });
  studio.set('Add a flame to a luminaire', 'luminaires', luminaireId, { flames: [...flames, part] });
  studio.desk.setState({ partId: part.id });
}

function isFull(studio: Studio, parts: readonly unknown[]): boolean {
  if (parts.length < LIMITS.luminaireParts) return false;
  studio.say(`A luminaire has at most ${LIMITS.luminaireParts} lights and as many flames.`);
  return true;
}

/** Takes a part out of a luminaire, and what the lamps of this scene override of it. */
export function deletePart(studio: Studio, luminaireId: string, partId: string): void {
  const { scene } = studio;
  const { lights, flames } = scene.luminaires[luminaireId];
  const edits = [
    change(scene, 'luminaires', luminaireId, {
      lights: lights.filter(({ id }) => id !== partId),
      flames: flames
        .filter(({ id }) => id !== partId)
        .map((flame) => (flame.glowsWithId === partId ? { ...flame, glowsWithId: null } : flame)),
    }),
    ...withoutOverrides(scene, luminaireId, partId),
  ];
  studio.scenes.transact({
    label: 'Delete a part of a luminaire',
    edits: edits.filter((edit) => edit !== null),
  });
  studio.desk.setState({ partId: null });
}

function withoutOverrides(scene: SceneDocument, luminaireId: string, partId: string): Edit[] {
  return Object.entries(scene.lamps).flatMap(([id, lamp]) => {
    if (lamp.luminaireId !== luminaireId || !lamp.overrides[partId]) return [];
    const overrides: Record<string, Fields> = { ...(lamp.overrides as Record<string, Fields>) };
    delete overrides[partId];
    return change(scene, 'lamps', id, { overrides: overrides as typeof lamp.overrides }) ?? [];
  });
}
