/** What differs between two scenes that share most of their records, as plain data: small enough to be sent after each edit. */
import type { SceneDocument } from './document';
import { COLLECTION_NAMES, type CollectionName } from './records/all-records';

/** Records by collection and id as they are now; null are gone. */
export type RecordChanges = Partial<Record<CollectionName, Record<string, unknown>>>;

/** Compares by identity: a record that is the same object has not changed. */
export function recordChanges(before: SceneDocument, after: SceneDocument): RecordChanges {
  const changes: RecordChanges = {};
  for (const name of COLLECTION_NAMES) {
    const [was, is] = [before[name], after[name]] as [Record<string, unknown>, Record<string, unknown>];
    if (was === is) continue;
    const changed: Record<string, unknown> = {};
    for (const id of Object.keys(is)) if (was[id] !== is[id]) changed[id] = is[id];
    for (const id of Object.keys(was)) if (!(id in is)) changed[id] = null;
    changes[name] = changed;
  }
  return changes;
}

/** The scene with these changes; records that did not change stay the same objects. */
export function withRecordChanges(scene: SceneDocument, changes: RecordChanges): SceneDocument {
  const next: Record<string, unknown> = { ...scene };
  for (const [name, changed] of Object.entries(changes)) {
    const records: Record<string, unknown> = {
      ...(scene[name as CollectionName] as Record<string, unknown>),
    };
    for (const [id, record] of Object.entries(changed)) {
      if (record === null) delete records[id];
      else records[id] = record;
    }
    next[name] = records;
  }
  return next as unknown as SceneDocument;
}
