/**
 * Edits: the one form in which a scene changes, is undone, is saved and is sent. An edit addresses one record by
 * collection and id and holds the fields that change with their values before and after; a new record has no
 * before, a deleted one no after.
 */
import { InputFault } from '../faults';
import type { SceneDocument } from './document';
import type { CollectionName, RecordOf } from './records/all-records';

export type Fields = Record<string, unknown>;

export interface Edit {
  collection: CollectionName;
  id: string;
  before: Fields | null;
  after: Fields | null;
}

export function create<C extends CollectionName>(collection: C, id: string, record: RecordOf<C>): Edit {
  return { collection, id, before: null, after: { ...(record as object) } };
}

export function remove<C extends CollectionName>(scene: SceneDocument, collection: C, id: string): Edit {
  return { collection, id, before: { ...(recordOf(scene, collection, id) as object) }, after: null };
}

/** A change of some fields; those that stay as they are are left out, and null comes back where none changes. */
export function change<C extends CollectionName>(
  scene: SceneDocument,
  collection: C,
  id: string,
  fields: Partial<RecordOf<C>>,
): Edit | null {
  const record = recordOf(scene, collection, id) as unknown as Fields;
  const before: Fields = {};
  const after: Fields = {};
  for (const [field, value] of Object.entries(fields)) {
    if (sameValue(record[field], value)) continue;
    before[field] = record[field];
    after[field] = value;
  }
  return Object.keys(after).length === 0 ? null : { collection, id, before, after };
}

/** The same as a list: of one edit, or of none where nothing changes. */
export function changes<C extends CollectionName>(
  scene: SceneDocument,
  collection: C,
  id: string,
  fields: Partial<RecordOf<C>>,
): Edit[] {
  const edit = change(scene, collection, id, fields);
  return edit ? [edit] : [];
}

function recordOf<C extends CollectionName>(scene: SceneDocument, collection: C, id: string): RecordOf<C> {
  const record = scene[collection][id];
  if (!record) throw new InputFault(`There is no record ${id} in ${collection}.`);
  return record as RecordOf<C>;
}

/** Whether two JSON values are the same. A field that is missing and one that is undefined count as equal. */
export function sameValue(a: unknown, b: unknown): boolean {
  // Plus and minus zero are the same, as JSON has only one.
  if (a === b || Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length) return false;
  return keys.every((key) => sameValue((a as Fields)[key], (b as Fields)[key]));
}

/** The first edit whose values before do not stand in the scene, or null where all can be applied. */
export function firstStale(scene: SceneDocument, edits: readonly Edit[]): Edit | null {
  const ahead = new RecordsAhead(scene);
  for (const edit of edits) {
    if (!stands(ahead.record(edit), edit)) return edit;
    ahead.apply(edit);
  }
  return null;
}

/** Those of the edits, in turn, whose values before stand in the scene, and the others. */
export function standingEdits(scene: SceneDocument, edits: readonly Edit[]): { stand: Edit[]; fall: Edit[] } {
  const ahead = new RecordsAhead(scene);
  const parted: { stand: Edit[]; fall: Edit[] } = { stand: [], fall: [] };
  for (const edit of edits) {
    const isStanding = stands(ahead.record(edit), edit);
    if (isStanding) ahead.apply(edit);
    parted[isStanding ? 'stand' : 'fall'].push(edit);
  }
  return parted;
}

/** The records of a scene as they are after some edits; only those that were edited are made. */
class RecordsAhead {
  private readonly made = new Map<string, Fields | undefined>();

  constructor(private readonly scene: SceneDocument) {}

  record({ collection, id }: Pick<Edit, 'collection' | 'id'>): Fields | undefined {
    const key = `${collection}/${id}`;
    return this.made.has(key) ? this.made.get(key) : (this.scene[collection][id] as Fields | undefined);
  }

  apply({ collection, id, before, after }: Edit): void {
    const record = before === null || after === null ? {} : (this.record({ collection, id }) ?? {});
    this.made.set(`${collection}/${id}`, after === null ? undefined : withFields(record, after));
  }
}

function stands(record: Fields | undefined, { before, after }: Edit): boolean {
  if (before === null) return record === undefined;
  if (record === undefined) return false;
  // Who deletes a record has seen all of it; who changes some fields has seen these.
  const seen = after === null ? Object.keys({ ...record, ...before }) : Object.keys(after);
  return seen.every((field) => sameValue(record[field], before[field]));
}

/**
 * A new scene with the edits applied in turn; records and collections that no edit touches are shared.
 * @throws InputFault where a record that is changed is not there
 */
export function applyEdits(scene: SceneDocument, edits: readonly Edit[]): SceneDocument {
  const next = { ...scene };
  const fresh = new Set<CollectionName>();
  for (const { collection, id, before, after } of edits) {
    if (!fresh.has(collection)) {
      fresh.add(collection);
      (next as Record<CollectionName, object>)[collection] = { ...next[collection] };
    }
    const records = next[collection] as Record<string, unknown>;
    if (after === null) delete records[id];
    else if (before === null) records[id] = after;
    else if (records[id]) records[id] = withFields(records[id] as Fields, after);
    else throw new InputFault(`There is no record ${id} in ${collection}.`);
  }
  return next;
}

/** A record with some fields changed. One set to undefined is taken away, so that undoing an added field leaves no trace. */
export function withFields(record: Fields, fields: Fields): Fields {
  const next: Fields = { ...record, ...fields };
  for (const field of Object.keys(fields)) if (fields[field] === undefined) delete next[field];
  return next;
}

/** The edits that take these back, in reverse order. */
export function inverted(edits: readonly Edit[]): Edit[] {
  return edits.toReversed().map((edit) => ({ ...edit, before: edit.after, after: edit.before }));
}

/**
 * Edits in a row drawn together: the same fields of the same record changed again and again, as by a drag, become
 * one edit from the first value to the last.
 */
export function squashed(edits: readonly Edit[]): Edit[] {
  const out: Edit[] = [];
  const last = new Map<string, number>();
  for (const edit of edits) {
    const key = `${edit.collection}/${edit.id}`;
    const at = last.get(key);
    const merged = at === undefined ? null : merge(out[at], edit);
    if (merged) out[at!] = merged;
    else last.set(key, out.push(edit) - 1);
  }
  return out.filter(({ before, after }) => !sameValue(before, after));
}

function merge(first: Edit, second: Edit): Edit | null {
  if (first.after === null || second.before === null) return null;
  // Made and deleted again comes to nothing: before and after are both null.
  if (second.after === null)
    return { ...first, before: first.before && { ...second.before, ...first.before }, after: null };
  const after = { ...first.after, ...second.after };
  return { ...first, before: first.before === null ? null : { ...second.before, ...first.before }, after };
}
