/** Looks: those of the project and those that come with Oilwick, taken, kept, and mixed into the finish. */
import { LOOK_FIELDS } from '@/core/finish/all-passes';
import { inOrder, settingsOf } from '@/core/scene/document';
import { changes, create, type Edit } from '@/core/scene/edits';
import { orderBetween } from '@/core/scene/order';
import { type LookFields, newLook, type Look } from '@/core/scene/records/look';
import { newCue } from '@/core/scene/records/cue';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { cuesInOrder } from '@/core/time/cues';
import { DAY_HOURS } from '@/core/time/periodic';
import { READY_LOOKS } from '@/ready/looks';
import { cueHere } from './day-trial';
import { deleteEdits } from './delete-edits';
import { freshId, type Studio } from './studio';

/** A look that can be taken. */
export interface LookToTake {
  id: string;
  name: string;
  fields: LookFields;
  /** Whether the project has it already. */
  isOwn: boolean;
}

const FIELD_NAMES = Object.keys(LOOK_FIELDS) as (keyof LookFields)[];

const READY: readonly LookToTake[] = READY_LOOKS.map(({ id, name, fields }) => ({
  ...{ id, name, isOwn: false },
  fields: fieldsOf(newLook({ name, order: 'a', ...fields })),
}));

/** What a look does, of a look or of the settings. */
function fieldsOf(from: LookFields): LookFields {
  return Object.fromEntries(FIELD_NAMES.map((name) => [name, from[name]])) as unknown as LookFields;
}

/** Those of the project first. */
export function looksToTake({ scene }: Studio): LookToTake[] {
  const own = inOrder(scene.looks).map(([id, look]) => ({ id, name: look.name, isOwn: true, fields: look }));
  return [...own, ...READY.filter(({ id }) => !scene.looks[id])];
}

/** The look that is mixed in at the hour of the playhead: by the cue that names one last, or by the settings. */
export function lookNow(studio: Studio): string | null {
  const { scene } = studio;
  const cue = cueNaming(studio);
  return cue ? scene.cues[cue].lookId : settingsOf(scene).lookId;
}

/** The cue whose look holds at the hour; null where no cue names one. */
function cueNaming(studio: Studio): string | null {
  const { clockHours } = studio.live.getState();
  const naming = cuesInOrder(studio.scene.cues).filter(([, { lookId }]) => lookId !== null);
  const before = naming.findLast(([, cue]) => cue.clockHours <= clockHours);
  return (before ?? naming.at(-1))?.[0] ?? null;
}

/** Takes a look, or none, in the place of the one that is there at this hour; one that comes with Oilwick is brought along. */
export function takeLook(studio: Studio, lookId: string | null): void {
  const { scene } = studio;
  const look = lookId === null ? null : looksToTake(studio).find(({ id }) => id === lookId);
  if (look === undefined) return;
  const before = lookNow(studio);
  if (before === lookId) return;
  const cueId = cueNaming(studio);
  const set =
    cueId === null
      ? changes(scene, 'settings', SETTINGS_ID, { lookId })
      : changes(scene, 'cues', cueId, { lookId });
  studio.scenes.transact({
    label: look ? `Take the look “${look.name}”` : 'Take no look',
    edits: [...(look ? bringing(studio, look) : []), ...set],
  });
  studio.desk.setState({ triedLook: null, lookBefore: { lookId: before } });
}

/** A look that comes with Oilwick becomes the project's own when it is used. */
function bringing(studio: Studio, look: LookToTake): Edit[] {
  return look.isOwn ? [] : [create('looks', look.id, lookRecord(studio, look))];
}

function lookRecord(studio: Studio, { name, fields }: Pick<LookToTake, 'name' | 'fields'>): Look {
  const last = inOrder(studio.scene.looks).at(-1)?.[1].order ?? null;
  return newLook({ name, order: orderBetween(last, null), ...fields });
}

/** Puts a look on the cue at the hour of the playhead, or on a new one there. */
export function putLookOnCue(studio: Studio, lookId: string): void {
  const { scene } = studio;
  const look = looksToTake(studio).find(({ id }) => id === lookId);
  if (!look) return;
  const hours = Math.round(studio.live.getState().clockHours * 100) / 100;
  const here = cueHere(studio);
  const set = here
    ? changes(scene, 'cues', here, { lookId })
    : [create('cues', freshId(), newCue({ clockHours: hours % DAY_HOURS, lookId }))];
  studio.scenes.transact({
    label: `Put the look “${look.name}” on a cue`,
    edits: [...bringing(studio, look), ...set],
  });
  studio.desk.setState({ triedLook: null });
}

/** Keeps the scene's own finish as a look of the project. @returns its id */
export function keepAsLook(studio: Studio): string {
  const id = freshId();
  const name = `Look ${Object.keys(studio.scene.looks).length + 1}`;
  const fields = fieldsOf(settingsOf(studio.scene));
  studio.scenes.transact({
    label: 'Keep the finish as a look',
    edits: [create('looks', id, lookRecord(studio, { name, fields }))],
  });
  return id;
}

/** Makes what a look does the scene's own finish, which is free of the look from then on. */
export function makeOwn(studio: Studio, lookId: string): void {
  const { scene } = studio;
  const look = scene.looks[lookId];
  const settings = settingsOf(scene);
  const fields = { ...fieldsOf(look), exposureStops: settings.exposureStops + look.exposureStops };
  studio.scenes.transact({
    label: `Make “${look.name}” the scene's own`,
    edits: changes(scene, 'settings', SETTINGS_ID, { ...fields, lookId: null, lookShare: 1 }),
  });
}

export function deleteLook(studio: Studio, lookId: string): void {
  studio.scenes.transact({
    label: 'Delete a look',
    edits: deleteEdits(studio, [{ collection: 'looks', id: lookId }]),
  });
}
