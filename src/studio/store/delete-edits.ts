/** What goes with what is deleted. */
import { change, remove, type Edit } from '@/core/scene/edits';
import { HOUSE_CIRCUIT, type SceneDocument } from '@/core/scene/document';
import { borrowing, reliefEdit } from './relief-edits';
import type { Picked } from './scene-store';
import type { Studio } from './studio';

/** Deletes what is picked, and what cannot stand without it; reliefs that were borrowed are made by their own recipes again. */
export function deleteEdits(studio: Studio, selection: readonly Picked[]): Edit[] {
  const { scene } = studio;
  /** Artworks that borrowed their relief from one that goes. */
  const left: string[] = [];
  const gone = new Map<string, Picked>();
  const take = (picked: Picked) => gone.set(`${picked.collection}/${picked.id}`, picked);
  for (const picked of selection) {
    if (picked.collection === 'settings') continue;
    take(picked);
    if (picked.collection === 'planes') {
      for (const collection of ['sprites', 'lights', 'lamps', 'occluders', 'chunks'] as const) {
        for (const [id, record] of Object.entries(scene[collection]))
          if (record.planeId === picked.id) take({ collection, id });
      }
    }
    if (picked.collection === 'luminaires') {
      for (const [id, lamp] of Object.entries(scene.lamps))
        if (lamp.luminaireId === picked.id) take({ collection: 'lamps', id });
    }
    if (picked.collection === 'artworks') {
      const laid = Object.keys(scene.planes).filter((id) => scene.planes[id].tiles?.artworkId === picked.id);
      for (const [id, { planeId }] of Object.entries(scene.chunks))
        if (laid.includes(planeId)) take({ collection: 'chunks', id });
      for (const [id, sprite] of Object.entries(scene.sprites))
        if (sprite.artworkId === picked.id) take({ collection: 'sprites', id });
      if (scene.reliefs[picked.id]) take({ collection: 'reliefs', id: picked.id });
      for (const [id, stroke] of Object.entries(scene.strokes))
        if (stroke.artworkId === picked.id) take({ collection: 'strokes', id });
      for (const [id, { borrowedId }] of Object.entries(scene.reliefs))
        if (borrowedId === picked.id) left.push(id);
    }
  }
  // What hangs on something goes with it, and so on down the chain.
  for (let size = -1; size !== gone.size;) {
    size = gone.size;
    for (const collection of ['sprites', 'lights', 'lamps'] as const)
      for (const [id, { hangsOn }] of Object.entries(scene[collection]))
        if (hangsOn && gone.has(`sprites/${hangsOn.spriteId}`)) take({ collection, id });
  }
  for (const [id, { spriteId }] of Object.entries(scene.occluders)) {
    if (spriteId !== null && gone.has(`sprites/${spriteId}`)) take({ collection: 'occluders', id });
  }
  const mended = left
    .filter((id) => !gone.has(`reliefs/${id}`))
    .flatMap((id) => reliefEdit(scene, id, borrowing(scene.reliefs[id], null)) ?? []);
  return [
    ...mended,
    ...leftBehind(scene, gone),
    ...[...gone.values()].map(({ collection, id }) => remove(scene, collection, id)),
  ];
}

/** What names something that goes, without it. */
function leftBehind(scene: SceneDocument, gone: ReadonlyMap<string, Picked>): Edit[] {
  const isGone = (collection: string, id: string) => gone.has(`${collection}/${id}`);
  const edits: (Edit | null)[] = [];
  for (const [id, { tiles }] of Object.entries(scene.planes))
    if (tiles && isGone('artworks', tiles.artworkId) && !isGone('planes', id))
      edits.push(change(scene, 'planes', id, { tiles: null }));
  for (const [id, { flames }] of Object.entries(scene.luminaires))
    if (!isGone('luminaires', id))
      edits.push(
        change(scene, 'luminaires', id, {
          flames: flames.filter(({ artworkId }) => !isGone('artworks', artworkId)),
        }),
      );
  for (const [id, { lamps }] of Object.entries(scene.artworks))
    if (!isGone('artworks', id))
      edits.push(
        change(scene, 'artworks', id, {
          lamps: lamps.filter(({ luminaireId }) => !isGone('luminaires', luminaireId)),
        }),
      );
  for (const collection of ['sprites', 'lights', 'lamps', 'occluders'] as const)
    for (const [id, { setIds }] of Object.entries<{ setIds: string[] }>(scene[collection]))
      if (setIds.some((setId) => isGone('sets', setId)) && !isGone(collection, id))
        edits.push(
          change(scene, collection, id, { setIds: setIds.filter((setId) => !isGone('sets', setId)) }),
        );
  // A light that fed nothing else, a sprite that listened to nothing else, is wired to the house again.
  const rewired = (ids: readonly string[]) => {
    const rest = ids.filter((circuitId) => !isGone('circuits', circuitId));
    return rest.length > 0 || ids.length === 0 ? rest : [HOUSE_CIRCUIT];
  };
  for (const collection of ['planes', 'sprites', 'lights', 'lamps'] as const)
    for (const [id, { circuitIds }] of Object.entries<{ circuitIds: string[] | null }>(scene[collection]))
      if (circuitIds?.some((circuitId) => isGone('circuits', circuitId)) && !isGone(collection, id))
        edits.push(change(scene, collection, id, { circuitIds: rewired(circuitIds) }));
  return edits.filter((edit) => edit !== null);
}
