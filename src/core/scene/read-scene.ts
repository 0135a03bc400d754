/** Documents and records from outside, checked. */
import { ValidationError } from 'yup';
import { InputFault } from '../faults';
import { ID } from '../fields';
import { SCENE_FORMAT, SCENE_VERSION, type SceneDocument } from './document';
import type { Edit } from './edits';
import { COLLECTION_NAMES, RECORDS, type CollectionName } from './records/all-records';
import { withDefaults } from './records/defaults-of';
import type { RecordKind } from './records/kind';
import { SETTINGS_ID } from './records/settings';
import { upgraded } from './versions/all-versions';

/** @throws InputFault naming collection, record and field */
export function checkRecord(collection: CollectionName, recordId: string, record: unknown): void {
  if (!ID.test(recordId)) throw new InputFault(`"${recordId}" is not an id.`, collection);
  const { onlyId } = RECORDS[collection] as RecordKind;
  if (onlyId !== undefined && recordId !== onlyId)
    throw new InputFault(`${collection} have one record, "${onlyId}"; got "${recordId}".`, collection);
  const path = `${collection}.${recordId}`;
  if (typeof record !== 'object' || record === null || Array.isArray(record)) {
    throw new InputFault(`${path} must be a record.`, path);
  }
  try {
    RECORDS[collection].schema.validateSync(record, { strict: true, abortEarly: true });
  } catch (cause) {
    if (!(cause instanceof ValidationError)) throw cause;
    const field = cause.path ? `${path}.${cause.path}` : path;
    throw new InputFault(`${path}: ${cause.message}`, field, { cause });
  }
}

/**
 * A document as it came from a file or the database, checked and brought to the newest version; fields that are left out
 * get their defaults.
 * @throws InputFault naming the record and the field
 */
export function readScene(value: unknown): SceneDocument {
  const scene = readKeptScene(value);
  for (const collection of COLLECTION_NAMES) checkSum(collection, sumOf(collection, scene[collection]));
  return scene;
}

/** The same for a document that the database has: it may be of a time that had no bounds on sums. */
export function readKeptScene(value: unknown): SceneDocument {
  if (typeof value !== 'object' || value === null) throw new InputFault('A scene must be a JSON object.');
  const raw = upgraded(value as Record<string, unknown>);
  if (raw.format !== SCENE_FORMAT)
    throw new InputFault(
      `The format must be "${SCENE_FORMAT}"; got ${raw.format === undefined ? 'none' : JSON.stringify(raw.format)}.`,
      'format',
    );
  if (raw.version !== SCENE_VERSION) {
    throw new InputFault(
      `Version ${raw.version === undefined ? 'none' : JSON.stringify(raw.version)} of the scene format is not known here; the newest is ${SCENE_VERSION}.`,
      'version',
    );
  }
  const scene = { ...raw } as unknown as SceneDocument;
  for (const collection of COLLECTION_NAMES) {
    const records = raw[collection];
    if (typeof records !== 'object' || records === null || Array.isArray(records)) {
      throw new InputFault(`${collection} must be a collection of records.`, collection);
    }
    checkCount(collection, Object.keys(records).length);
    const whole = Object.entries(records).map(([recordId, given]) => {
      const record = withDefaults(RECORDS[collection].schema, given);
      checkRecord(collection, recordId, record);
      return [recordId, record];
    });
    (scene as unknown as Record<string, unknown>)[collection] = Object.fromEntries(whole);
  }
  if (!scene.settings[SETTINGS_ID]) throw new InputFault('The scene has no settings.', 'settings');
  for (const collection of COLLECTION_NAMES) checkDistinct(collection, scene[collection]);
  return scene;
}

/** Checks the records that edits touched, in the scene as it is after them. @throws InputFault */
export function checkEdited(scene: SceneDocument, edits: readonly Edit[]): void {
  for (const { collection, id: recordId } of edits) {
    const record = scene[collection][recordId];
    if (record !== undefined) checkRecord(collection, recordId, record);
    else checkDeleted(collection);
  }
  for (const collection of new Set(edits.map((edit) => edit.collection))) {
    checkCount(collection, Object.keys(scene[collection]).length);
    checkDistinct(collection, scene[collection]);
    if (addedBy(edits, collection, scene) > 0) checkSum(collection, sumOf(collection, scene[collection]));
  }
}

/** @returns how much of what is summed the edits added, in the scene as it is after them */
function addedBy(edits: readonly Edit[], collection: CollectionName, scene: SceneDocument): number {
  const sum = (RECORDS[collection] as RecordKind).sum?.of ?? (() => 0);
  return edits
    .filter((edit) => edit.collection === collection)
    .reduce((added, { id, before }) => {
      const after = scene[collection][id] as object | undefined;
      return added + (after ? sum(after) : 0) - (before ? sum({ ...after, ...before }) : 0);
    }, 0);
}

/** @throws InputFault where records of a collection cannot be deleted */
export function checkDeleted(collection: CollectionName): void {
  if ((RECORDS[collection] as RecordKind).onlyId !== undefined)
    throw new InputFault(`The ${collection} cannot be deleted.`, collection);
}

/** @throws InputFault where there would be more records of a collection than there may be */
export function checkCount(collection: CollectionName, count: number): void {
  const { most } = RECORDS[collection];
  if (count > most) {
    throw new InputFault(
      `A scene holds at most ${most} ${collection}; this one would have ${count}.`,
      collection,
    );
  }
}

/** @returns what the records of a collection have together of what is summed; null where nothing is */
export function sumOf(collection: CollectionName, records: Readonly<Record<string, object>>): number | null {
  const { sum } = RECORDS[collection] as RecordKind;
  return sum ? Object.values(records).reduce((total, record) => total + sum.of(record), 0) : null;
}

/** @throws InputFault where the records of a collection would have more together than they may */
export function checkSum(collection: CollectionName, total: number | null): void {
  const { sum } = RECORDS[collection] as RecordKind;
  if (sum && total !== null && total > sum.most)
    throw new InputFault(
      `The ${collection} of a scene have at most ${sum.most} ${sum.word}; they would have ${total}.`,
      collection,
    );
}

/** Whether records of a collection differ in a field, so that the others are asked for when one changes. */
export function areDistinct(collection: CollectionName): boolean {
  return (RECORDS[collection] as RecordKind).distinct !== undefined;
}

/** @throws InputFault where two records of a collection have the same value in a field that tells them apart */
export function checkDistinct(collection: CollectionName, records: Readonly<Record<string, object>>): void {
  const { distinct } = RECORDS[collection] as RecordKind;
  if (!distinct) return;
  const seen = new Set<unknown>();
  for (const [recordId, record] of Object.entries(records)) {
    const value = (record as Record<string, unknown>)[distinct.field];
    if (seen.has(value))
      throw new InputFault(distinct.words(value), `${collection}.${recordId}.${distinct.field}`);
    seen.add(value);
  }
}
