/** What comes with a placed thing: its place in the drawing order, and the lamps that its artwork brings along. */
import type { SceneDocument } from '@/core/scene/document';
import type { Artwork } from '@/core/scene/records/artwork';
import { newLamp } from '@/core/scene/records/lamp';
import { create, type Edit } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { freshId } from './studio';

/** Gives order keys of things that are put in front of all that stands on a plane, each in front of the last. */
export function frontOrders({ sprites, lamps }: SceneDocument, planeId: string): () => string {
  let last: string[] = [...Object.values(sprites), ...Object.values(lamps)].flatMap((thing) =>
    thing.planeId === planeId ? thing.order : [],
  );
  return () => {
    const order = orderAfter(last);
    last = [order];
    return order;
  };
}

/** The lamps that an artwork brings along to one of its sprites. */
export function broughtLamps(
  scene: SceneDocument,
  spriteId: string,
  { lamps }: Pick<Artwork, 'lamps'>,
  planeId: string,
  nextOrder: () => string,
): Edit[] {
  return lamps.flatMap(({ luminaireId, bracketId, x, y }) => {
    const luminaire = scene.luminaires[luminaireId];
    if (!luminaire) return [];
    const { name } = luminaire;
    const hangsOn = { spriteId, bracketId };
    return [
      create('lamps', freshId(), newLamp({ name, luminaireId, planeId, order: nextOrder(), hangsOn, x, y })),
    ];
  });
}
