/** Hanging things on sprites, and taking them off. */
import { HANGERS, stanceOnPlane, type HangerCollection } from '@/core/moment/stances';
import { carriersOf } from '@/core/moment/standing';
import type { SceneDocument } from '@/core/scene/document';
import type { Hanging } from '@/core/scene/records/sprite';
import { change, changes, type Edit } from '@/core/scene/edits';
import type { Picked } from './scene-store';
import type { Studio } from './studio';

export type Hanger = Picked & { collection: HangerCollection };

export function hangersOf(studio: Studio): Hanger[] {
  return studio.scenes.state.selection.filter((picked): picked is Hanger =>
    (HANGERS as readonly string[]).includes(picked.collection),
  );
}

/** The edits that hang things on a carrier, at a place counted from there. */
export function hangEdits(
  scene: SceneDocument,
  things: readonly Hanger[],
  hangsOn: Hanging,
  [x, y]: readonly [number, number],
): Edit[] {
  return things.flatMap(({ collection, id }) => {
    // Nothing hangs on itself, or on what hangs on it.
    if (carriersOf(scene, hangsOn).includes(id)) return [];
    return change(scene, collection, id, { hangsOn, x, y }) ?? [];
  });
}

/** Takes what is picked off its brackets; it stays as it is drawn. */
export function takeOff(studio: Studio): void {
  const { scene } = studio;
  const { seconds } = studio.live.getState();
  const edits = hangersOf(studio).flatMap(({ collection, id }): Edit[] => {
    if (scene[collection][id].hangsOn === null) return [];
    const stance = stanceOnPlane(scene, collection, id, seconds);
    return changes(scene, collection, id, { hangsOn: null, ...stance });
  });
  studio.scenes.transact({ label: 'Take off', edits });
}
