/** What goes with what is deleted. */
import { remove, type Edit } from '@/core/scene/edits';
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
      for (const collection of ['sprites', 'lights', 'occluders'] as const) {
        for (const [id, record] of Object.entries(scene[collection]))
          if (record.planeId === picked.id) take({ collection, id });
      }
    }
    if (picked.collection === 'artworks') {
      for (const [id, sprite] of Object.entries(scene.sprites))
        if (sprite.artworkId === picked.id) take({ collection: 'sprites', id });
      if (scene.reliefs[picked.id]) take({ collection: 'reliefs', id: picked.id });
      for (const [id, stroke] of Object.entries(scene.strokes))
        if (stroke.artworkId === picked.id) take({ collection: 'strokes', id });
      for (const [id, { borrowedId }] of Object.entries(scene.reliefs))
        if (borrowedId === picked.id) left.push(id);
    }
  }
  for (const [id, { spriteId }] of Object.entries(scene.occluders)) {
    if (spriteId !== null && gone.has(`sprites/${spriteId}`)) take({ collection: 'occluders', id });
  }
  const mended = left
    .filter((id) => !gone.has(`reliefs/${id}`))
    .flatMap((id) => reliefEdit(scene, id, borrowing(scene.reliefs[id], null)) ?? []);
  return [...mended, ...[...gone.values()].map(({ collection, id }) => remove(scene, collection, id))];
}
