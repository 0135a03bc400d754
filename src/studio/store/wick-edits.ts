/** Wicks of the scene: made, copied, deleted. */
import { applyEdits, change, create } from '@/core/scene/edits';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import { newWick, type Wick } from '@/core/scene/records/wick';
import { hashText } from '@/core/time/noise';
import { READY_WICKS } from '@/core/time/ready-wicks';
import { overrideEdits } from './lamp-edits';
import { deleteEdits } from './delete-edits';
import { freshId, type Studio } from './studio';

/** A wick that comes with Oilwick, as a record. @param seed any text; by another one it burns otherwise */
export function readyWick(place: number, seed: string): Wick {
  return newWick({ ...READY_WICKS[place], seed: hashText(seed) });
}

/** A wick that comes with Oilwick as a new one of the scene, on which lights burn from now on. @returns its id */
export function addWick(studio: Studio, lightIds: readonly string[], ready: number): string {
  const id = freshId();
  studio.scenes.transact({
    label: 'New wick',
    edits: [
      create('wicks', id, readyWick(ready, id)),
      ...lightIds.flatMap((lightId) => change(studio.scene, 'lights', lightId, { wickId: id }) ?? []),
    ],
  });
  return id;
}

/** Lights, and the lights of lamps, burn on a wick from now on; what is of a lamp gets a copy of its own. */
export function putOnWick(
  studio: Studio,
  wickId: string,
  lightIds: readonly string[],
  lampIds: readonly string[],
): void {
  const { scene } = studio;
  const wick = scene.wicks[wickId];
  const lamps = lampIds.reduce((current, id) => {
    const lamp = current.lamps[id];
    const parts = lamp ? lightPartsOf(current, lamp) : [];
    return applyEdits(
      current,
      parts.flatMap((part) => overrideEdits(current, [id], part.id, { wick: { ...wick } })),
    );
  }, scene);
  studio.scenes.transact({
    label: 'Put on a wick',
    edits: [
      ...lightIds.flatMap((id) => change(scene, 'lights', id, { wickId }) ?? []),
      ...lampIds.flatMap((id) => change(scene, 'lamps', id, { overrides: lamps.lamps[id].overrides }) ?? []),
    ],
  });
}

/** All lights of a luminaire burn on a copy of a wick from now on, in every scene where it hangs. */
export function putLuminaireOnWick(studio: Studio, wickId: string, luminaireId: string): void {
  const { scene } = studio;
  const lights = scene.luminaires[luminaireId].lights.map((part) => ({
    ...part,
    wick: { ...scene.wicks[wickId] },
  }));
  studio.set('Put on a wick', 'luminaires', luminaireId, { lights });
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
