/** Older versions of the scene document, brought to the newest one step by step on reading. */
import { toVersion2 } from './2';
import { toVersion3 } from './3';
import { toVersion4 } from './4';
import { toVersion5 } from './5';
import { toVersion6 } from './6';
import { toVersion7 } from './7';
import { toVersion8 } from './8';
import { toVersion9 } from './9';
import { toVersion10 } from './10';
import { toVersion11 } from './11';
import { eachRecord, type Json, type VersionStep } from './step';

/** By the version that each of them starts from. */
const STEPS: Record<number, VersionStep> = {
  1: toVersion2,
  2: toVersion3,
  3: toVersion4,
  4: toVersion5,
  5: toVersion6,
  6: toVersion7,
  7: toVersion8,
  8: toVersion9,
  9: toVersion10,
  10: toVersion11,
};

/** A document as it would have been written today; what is not known is left alone, for the schema to refuse. */
export function upgraded(document: Json): Json {
  let current = document;
  for (;;) {
    const version = typeof current.version === 'number' ? current.version : NaN;
    const step = STEPS[version] as VersionStep | undefined;
    if (!step) return current;
    const next: Json = { ...current, version: version + 1 };
    for (const collection of step.added) next[collection] ??= {};
    for (const [collection, change] of Object.entries(step.records))
      next[collection] = eachRecord(next[collection], change);
    current = step.document ? step.document(next) : next;
  }
}

/**
 * One record as it would have been written today, whatever version it is of: rows of a project are shared by scenes of every
 * age. Fields that are there already stay, so all steps may be taken.
 */
export function upgradedRecord(collection: string, record: Json): Json {
  return Object.values(STEPS).reduce(
    (current, { records }) => records[collection]?.(current) ?? current,
    record,
  );
}
