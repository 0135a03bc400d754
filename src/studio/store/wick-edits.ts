/** Wicks of the scene: made, copied, deleted. */
import { change, create } from '@/core/scene/edits';
import { newWick } from '@/core/scene/records/wick';
import { hashText } from '@/core/time/noise';
import { deleteEdits } from './delete-edits';
import { freshId, type Studio } from './studio';

/** A new wick, on which lights burn from now on. @returns its id */
export function addWick(studio: Studio, lightIds: readonly string[]): string {
  const id = freshId();
  const name = `Wick ${Object.keys(studio.scene.wicks).length + 1}`;
  studio.scenes.transact({
    label: 'New wick',
    edits: [
      create('wicks', id, newWick({ name, seed: hashText(id) })),
      ...lightIds.flatMap((lightId) => change(studio.scene, 'lights', lightId, { wickId: id }) ?? []),
    ],
  });
  return id;
}

/** A copy of a wick, on which no light burns yet. @returns its id */
export function duplicateWick(studio: Studio, wickId: string): string {
  const id = freshId();
  const wick = studio.scene.wicks[wickId];
  studio.scenes.transact({
    label: 'Duplicate a wick',
    edits: [create('wicks', id, { ...wick, name: `${wick.name} copy` })],
  });
  return id;
}

/** Deletes a wick; lights on it burn steadily then. */
export function deleteWick(studio: Studio, wickId: string): void {
  const edits = deleteEdits(studio, [{ collection: 'wicks', id: wickId }]);
  studio.scenes.transact({ label: 'Delete a wick', edits });
}
