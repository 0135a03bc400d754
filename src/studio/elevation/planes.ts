/** Changes to the row of planes. */
import { inOrder } from '@/core/scene/document';
import { newPlane } from '@/core/scene/records/plane';
import { create } from '@/core/scene/edits';
import { orderBetween } from '@/core/scene/order';
import { freshId, type Studio } from '../store/studio';

/** Adds a plane in front of another one, and picks it. */
export function addPlane(studio: Studio, behindId: string | null): void {
  const row = inOrder(studio.scene.planes);
  const at = behindId === null ? row.length - 1 : row.findIndex(([id]) => id === behindId);
  const order = orderBetween(row[at]?.[1].order ?? null, row[at + 1]?.[1].order ?? null);
  const id = freshId();
  studio.scenes.transact({
    label: 'Add a plane',
    edits: [create('planes', id, newPlane({ name: `Plane ${row.length + 1}`, order }))],
    selection: [{ collection: 'planes', id }],
  });
  studio.desk.setState({ planeId: id });
}

/** Moves a plane one place nearer (1) or farther (-1). */
export function movePlane(studio: Studio, id: string, direction: 1 | -1): void {
  const row = inOrder(studio.scene.planes);
  const at = row.findIndex(([other]) => other === id);
  const [low, high] = direction === 1 ? [row[at + 1], row[at + 2]] : [row[at - 2], row[at - 1]];
  if (direction === 1 ? !low : !high) return;
  studio.set('Move a plane', 'planes', id, {
    order: orderBetween(low?.[1].order ?? null, high?.[1].order ?? null),
  });
}
