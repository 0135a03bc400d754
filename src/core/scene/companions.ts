/** What goes with what is picked: all that stands on a plane, what hangs on a sprite and so on down the chain, its own occluders. */
import type { CollectionName, SceneDocument } from './document';

export interface RecordName {
  collection: CollectionName;
  id: string;
}

/** Collections whose records stand on planes. */
const ON_PLANES = ['sprites', 'lights', 'lamps', 'occluders', 'chunks'] as const;
const HANGING = ['sprites', 'lights', 'lamps'] as const;

/** @returns what was picked, in its order, and behind it what goes with it, each once */
export function withCompanions(scene: SceneDocument, picked: readonly RecordName[]): RecordName[] {
  const taken = new Map<string, RecordName>();
  const take = (name: RecordName) => {
    const key = `${name.collection}/${name.id}`;
    if (!taken.has(key)) taken.set(key, name);
  };
  picked.forEach(take);
  for (const collection of ON_PLANES)
    for (const [id, { planeId }] of Object.entries(scene[collection]))
      if (taken.has(`planes/${planeId}`)) take({ collection, id });
  for (let size = -1; size !== taken.size;) {
    size = taken.size;
    for (const collection of HANGING)
      for (const [id, { hangsOn }] of Object.entries(scene[collection]))
        if (hangsOn && taken.has(`sprites/${hangsOn.spriteId}`)) take({ collection, id });
  }
  for (const [id, { spriteId }] of Object.entries(scene.occluders))
    if (spriteId !== null && taken.has(`sprites/${spriteId}`)) take({ collection: 'occluders', id });
  return [...taken.values()];
}
