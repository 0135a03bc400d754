/**
 * What edits come to where they meet records that somebody else may have changed since: the server joins them by this, and so
 * does a page what comes from others. Fields that only one side changed are both kept; where both changed one, the later wins
 * and what it overwrote is named.
 */
import { dataDigest } from '../digest';
import type { SceneDocument } from './document';
import { sameValue, withFields, type Edit, type Fields } from './edits';
import type { CollectionName } from './records/all-records';

/** A delete that names what its author saw by a digest: a record may be large. */
export interface SeenDelete {
  collection: CollectionName;
  id: string;
  seen: string;
  after: null;
}

/** An edit as it travels between page and server. */
export type SentEdit = Edit | SeenDelete;

/** Deletes of records longer than this, characters of JSON, travel by their digest. */
const LONG_RECORD = 512;

/** An edit as it is sent: the record of a delete is not sent along where it is long. */
export function sentEdit(edit: Edit): SentEdit {
  const { collection, id, before, after } = edit;
  if (after !== null || before === null || JSON.stringify(before).length <= LONG_RECORD) return edit;
  return { collection, id, seen: dataDigest(before), after: null };
}

/** A value that somebody else had set and that an edit wrote over. */
export interface Overwritten {
  collection: CollectionName;
  id: string;
  /** Null is the whole record: it was deleted, or another one put in its place. */
  field: string | null;
  /** What stood there. */
  value: unknown;
}

export interface Outcome {
  /** Records as they are now, by collection and id; null is deleted. */
  changed: Map<string, { collection: CollectionName; id: string; record: Fields | null }>;
  overwritten: Overwritten[];
  /** Places of edits that change records that are not there any more. */
  gone: number[];
}

/**
 * Carries edits out, in turn, over records as they stand.
 * @param find a record as it stands, or undefined
 */
export function outcomeOf(
  edits: readonly SentEdit[],
  find: (collection: CollectionName, id: string) => Fields | undefined,
): Outcome {
  const outcome: Outcome = { changed: new Map(), overwritten: [], gone: [] };
  for (const [place, edit] of edits.entries()) {
    const { collection, id } = edit;
    const key = `${collection}/${id}`;
    const made = outcome.changed.get(key);
    const record = made ? (made.record ?? undefined) : find(collection, id);
    const put = (next: Fields | null) => outcome.changed.set(key, { collection, id, record: next });
    const overwrite = (field: string | null, value: unknown) =>
      outcome.overwritten.push({ collection, id, field, value });
    if (edit.after === null) {
      if (!record) continue;
      if (!hasSeen(edit, record)) overwrite(null, record);
      put(null);
    } else if (edit.before === null) {
      if (record && !sameValue(record, edit.after)) overwrite(null, record);
      put(edit.after);
    } else if (!record) outcome.gone.push(place);
    else {
      for (const field of Object.keys(edit.after)) {
        const value = record[field];
        if (!sameValue(value, edit.before[field]) && !sameValue(value, edit.after[field]))
          overwrite(field, value);
      }
      put(withFields(record, edit.after));
    }
  }
  return outcome;
}

/** Whether the author of a delete saw the record as it stands. */
function hasSeen(edit: SentEdit, record: Fields): boolean {
  return 'seen' in edit ? edit.seen === dataDigest(record) : sameValue(record, edit.before);
}

/** A scene with edits carried out over it as it stands; those of records that are not there are left out. */
export function carriedOut(scene: SceneDocument, edits: readonly SentEdit[]): SceneDocument {
  const { changed } = outcomeOf(edits, (collection, id) => scene[collection][id] as Fields | undefined);
  const next = { ...scene } as Record<CollectionName, Record<string, unknown>>;
  const fresh = new Set<CollectionName>();
  for (const { collection, id, record } of changed.values()) {
    if (!fresh.has(collection)) next[collection] = { ...next[collection] };
    fresh.add(collection);
    if (record === null) delete next[collection][id];
    else next[collection][id] = record;
  }
  return next as unknown as SceneDocument;
}
