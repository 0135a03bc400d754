/** Picks in request bodies. */
import { InputFault } from '@/core/faults';
import { ID } from '@/core/fields';
import { LIMITS } from '@/core/limits';
import type { PickedName } from '@/core/scene/changes';
import { COLLECTION_NAMES } from '@/core/scene/records/all-records';

/** @throws InputFault where it is none */
export function picksOf({ personId, picked }: Record<string, unknown>): {
  personId: string;
  picked: PickedName[];
} {
  if (typeof personId !== 'string' || !ID.test(personId))
    throw new InputFault('personId must be an id.', 'personId');
  if (!Array.isArray(picked) || picked.length > LIMITS.shownPicks)
    throw new InputFault(`picked must be a list of at most ${LIMITS.shownPicks} records.`, 'picked');
  return { personId, picked: picked.map(nameOf) };
}

function nameOf(given: unknown, place: number): PickedName {
  const { collection, id } = (given ?? {}) as Record<string, unknown>;
  const known = COLLECTION_NAMES.find((name) => name === collection);
  if (!known || typeof id !== 'string' || !ID.test(id))
    throw new InputFault('A pick has a collection and an id.', `picked[${place}]`);
  return { collection: known, id };
}
