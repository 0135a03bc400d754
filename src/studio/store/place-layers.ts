/** Layers of a painting put on the stage: each on a plane of its own, or together as the parts of one figure. */
import { parallaxShift } from '@/core/moment/standing';
import { inOrder, settingsOf } from '@/core/scene/document';
import { newPlane } from '@/core/scene/records/plane';
import { newSprite } from '@/core/scene/records/sprite';
import { create, type Edit } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { frontOrders } from './placed';
import type { BroughtLayer } from './import-pictures';
import { freshId, type Studio } from './studio';

/** The painting's corner stands at the gate's; the lowest layer is the farthest plane of them, before all that are there. */
export function layersAsPlanes(studio: Studio, layers: readonly BroughtLayer[]): void {
  const { scene } = studio;
  const { gateX, gateY } = settingsOf(scene);
  let order = inOrder(scene.planes).at(-1)?.[1].order ?? null;
  const edits: Edit[] = [];
  const sprites: string[] = [];
  for (const { artworkId, name, x, y, opacity, hidden } of layers) {
    order = orderAfter(order === null ? [] : [order]);
    const planeId = freshId();
    const id = freshId();
    const { pivotX, pivotY } = scene.artworks[artworkId];
    const place = { x: gateX + x + pivotX, y: gateY + y + pivotY };
    edits.push(
      create('planes', planeId, newPlane({ name, order, hidden })),
      create('sprites', id, newSprite({ name, planeId, artworkId, opacity, order: 'a1', ...place })),
    );
    sprites.push(id);
  }
  studio.scenes.transact({
    label: 'Layers as planes',
    edits,
    selection: sprites.map((id) => ({ collection: 'sprites', id })),
  });
}

/** The lowest layer carries the others, so that the figure moves, turns and flips as one; all are named as a set. */
export function layersAsFigure(studio: Studio, layers: readonly BroughtLayer[], x: number, y: number): void {
  const { scene } = studio;
  const planeId = studio.planeId();
  const plane = scene.planes[planeId];
  const [base, ...rest] = layers;
  if (!plane || !base) return;
  const [dx, dy] = parallaxShift(scene, plane);
  const setId = freshId();
  const baseId = freshId();
  const nextOrder = frontOrders(scene, planeId);
  const part = ({ artworkId, name, opacity, hidden }: BroughtLayer) => ({
    name,
    planeId,
    artworkId,
    opacity,
    hidden,
    setIds: [setId],
    order: nextOrder(),
  });
  const sets = Object.values(scene.sets).map((set) => set.order);
  const edits = [
    create('sets', setId, { name: base.painting, order: orderAfter(sets) }),
    create('sprites', baseId, newSprite({ ...part(base), x: Math.round(x - dx), y: Math.round(y - dy) })),
    ...rest.map((layer) => {
      const { pivotX, pivotY } = scene.artworks[layer.artworkId];
      return create(
        'sprites',
        freshId(),
        newSprite({
          ...part(layer),
          hangsOn: { spriteId: baseId, bracketId: null },
          x: layer.x - base.x + pivotX,
          y: layer.y - base.y + pivotY,
        }),
      );
    }),
  ];
  studio.scenes.transact({
    label: 'Layers as a figure',
    edits,
    selection: [{ collection: 'sprites', id: baseId }],
  });
}
