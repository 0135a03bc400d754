/** What goes with what is deleted. */
import { withCompanions } from '@/core/scene/companions';
import { HOUSE_CIRCUIT, type CollectionName, type RecordOf, type SceneDocument } from '@/core/scene/document';
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

/** What is made of an artwork or a luminaire alone. */
function dependants(scene: SceneDocument, { collection, id }: Picked): Picked[] {
  const named = <C extends CollectionName>(own: C, uses: (record: RecordOf<C>) => boolean): Picked[] =>
    Object.entries(scene[own] as Record<string, RecordOf<C>>).flatMap(([other, record]) =>
      uses(record) ? [{ collection: own, id: other }] : [],
    );
  if (collection === 'luminaires') return named('lamps', ({ luminaireId }) => luminaireId === id);
  if (collection !== 'artworks') return [];
  return [
    ...named('sprites', ({ artworkId }) => artworkId === id),
    ...named('chunks', ({ planeId }) => scene.planes[planeId]?.tiles?.artworkId === id),
    ...named('strokes', ({ artworkId }) => artworkId === id),
    ...(scene.reliefs[id] ? [{ collection: 'reliefs' as const, id }] : []),
  ];
}

type IsGone = (collection: CollectionName, id: string) => boolean;

/** What names something that goes, without it. */
function leftBehind(scene: SceneDocument, isGone: IsGone): Edit[] {
  const edits: (Edit | null)[] = [];
  const each = <C extends CollectionName>(
    collection: C,
    fields: (record: RecordOf<C>) => Partial<RecordOf<C>> | null,
  ) => {
    for (const [id, record] of Object.entries(scene[collection] as Record<string, RecordOf<C>>)) {
      const changed = isGone(collection, id) ? null : fields(record);
      if (changed) edits.push(change(scene, collection, id, changed));
    }
  };
  const staying = (collection: CollectionName, ids: readonly string[]) =>
    ids.filter((id) => !isGone(collection, id));
  // A light that fed nothing else, a sprite that listened to nothing else, is wired to the house again.
  const rewired = (ids: readonly string[]) => {
    const rest = staying('circuits', ids);
    return rest.length > 0 || ids.length === 0 ? rest : [HOUSE_CIRCUIT];
  };
  each('reliefs', (relief) =>
    relief.borrowedId !== null && isGone('artworks', relief.borrowedId) ? borrowing(relief, null) : null,
  );
  each('planes', ({ tiles, circuitIds }) => ({
    tiles: tiles && isGone('artworks', tiles.artworkId) ? null : tiles,
    circuitIds: rewired(circuitIds),
  }));
  each('luminaires', ({ flames }) => ({
    flames: flames.filter(({ artworkId }) => !isGone('artworks', artworkId)),
  }));
  each('artworks', ({ lamps }) => ({
    lamps: lamps.filter(({ luminaireId }) => !isGone('luminaires', luminaireId)),
  }));
  each('sprites', ({ setIds, circuitIds }) => ({
    setIds: staying('sets', setIds),
    circuitIds: circuitIds && rewired(circuitIds),
  }));
  each('occluders', ({ setIds }) => ({ setIds: staying('sets', setIds) }));
  for (const collection of ['lights', 'lamps'] as const)
    each(collection, ({ setIds, circuitIds }) => ({
      setIds: staying('sets', setIds),
      circuitIds: rewired(circuitIds),
    }));
  return edits.filter((edit) => edit !== null);
}
