/** What may be the cause of a flash: the wicks that burn in a scene, each with the scene as it is without it. */
import { lightPartsOf } from '../../scene/lamp-parts';
import type { SceneDocument } from '../../scene/document';
import type { RecordName } from '../../scene/references';

export interface Suspect {
  name: string;
  /** The wick, or the luminaire that has it. */
  record: RecordName;
  scene: SceneDocument;
}

export function suspectsOf(scene: SceneDocument): Suspect[] {
  const used = new Set(Object.values(scene.lights).map(({ wickId }) => wickId));
  const wicks = Object.entries(scene.wicks)
    .filter(([id]) => used.has(id))
    .map(([id, { name }]): Suspect => ({
      name,
      record: { collection: 'wicks', id },
      scene: {
        ...scene,
        wicks: Object.fromEntries(Object.entries(scene.wicks).filter(([other]) => other !== id)),
      },
    }));
  const luminaires = [...new Set(Object.values(scene.lamps).map(({ luminaireId }) => luminaireId))].flatMap(
    (id) => suspectsIn(scene, id),
  );
  return [...wicks, ...luminaires];
}

/** The wicks of a luminaire's lights, as they burn in its lamps. */
function suspectsIn(scene: SceneDocument, luminaireId: string): Suspect[] {
  const lamps = Object.entries(scene.lamps).filter(([, lamp]) => lamp.luminaireId === luminaireId);
  const parts = new Map<string, string>();
  for (const [, lamp] of lamps)
    for (const { id, wick } of lightPartsOf(scene, lamp)) if (wick) parts.set(id, wick.name);
  return [...parts].map(([partId, name]) => ({
    name: `${name} (${scene.luminaires[luminaireId].name})`,
    record: { collection: 'luminaires', id: luminaireId },
    scene: {
      ...scene,
      lamps: {
        ...scene.lamps,
        ...Object.fromEntries(
          lamps.map(([id, lamp]) => [
            id,
            {
              ...lamp,
              overrides: { ...lamp.overrides, [partId]: { ...lamp.overrides[partId], wick: null } },
            },
          ]),
        ),
      },
    },
  }));
}
