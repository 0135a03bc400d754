/** Changes to the row of planes. */
import { inOrder } from '@/core/scene/document';
import { newPlane } from '@/core/scene/records/plane';
import { create } from '@/core/scene/edits';
import { orderAt, orderBetween } from '@/core/scene/order';
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
  const at = inOrder(studio.scene.planes).findIndex(([other]) => other === id);
  movePlaneTo(studio, id, at + direction);
}

/** Puts a plane at a place in the row, counted from the farthest. */
export function movePlaneTo(studio: Studio, id: string, place: number): void {
  const order = orderAt(studio.scene.planes, id, place);
  if (order !== null) studio.set('Move a plane', 'planes', id, { order });
}
