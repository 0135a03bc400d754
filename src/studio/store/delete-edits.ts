/** What goes with what is deleted. */
import { withCompanions, withoutGone } from '@/core/scene/references';
import type { SceneDocument } from '@/core/scene/document';
import { COLLECTION_NAMES, type CollectionName } from '@/core/scene/records/all-records';
import { change, remove, type Edit } from '@/core/scene/edits';
import { borrowing } from './relief-edits';
import type { Picked } from './scene-store';
import type { Studio } from './studio';

/** Deletes what is picked, and what cannot stand without it; reliefs that were borrowed are made by their own recipes again. */
export function deleteEdits(studio: Studio, selection: readonly Picked[]): Edit[] {
  const { scene } = studio;
  const picked = selection.filter(({ collection }) => collection !== 'settings');
  const gone = withCompanions(scene, [...picked, ...picked.flatMap((one) => dependants(scene, one))]);
  const names = new Set(gone.map(({ collection, id }) => `${collection}/${id}`));
  const isGone = (collection: CollectionName, id: string) => names.has(`${collection}/${id}`);
  return [...leftBehind(scene, isGone), ...gone.map(({ collection, id }) => remove(scene, collection, id))];
}

/** The cells of a plane whose tile sheet goes. */
function dependants(scene: SceneDocument, { collection, id }: Picked): Picked[] {
  if (collection !== 'artworks') return [];
  return Object.entries(scene.chunks).flatMap(([chunkId, { planeId }]) =>
    scene.planes[planeId]?.tiles?.artworkId === id ? [{ collection: 'chunks' as const, id: chunkId }] : [],
  );
}

type IsGone = (collection: CollectionName, id: string) => boolean;

/** What names something that goes, without it. */
function leftBehind(scene: SceneDocument, isGone: IsGone): Edit[] {
  return COLLECTION_NAMES.flatMap((collection) =>
    Object.entries(scene[collection]).flatMap(([id, record]) => {
      const fields = isGone(collection, id) ? null : withoutGone(collection, record, isGone);
      if (!fields) return [];
      // A relief that was borrowed is made by its own recipe again.
      const own = collection === 'reliefs' ? borrowing(scene.reliefs[id], null) : {};
      return change(scene, collection, id, { ...fields, ...own }) ?? [];
    }),
  );
}
