/** What comes from others who have the scene open: who they are, what they wrote over, and what of one's own cannot be saved. */
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Person, Present } from '@/core/scene/changes';
import { create, type Edit } from '@/core/scene/edits';
import type { Overwritten, SentEdit } from '@/core/scene/patches';
import type { SceneDocument } from '@/core/scene/document';
import type { CollectionName, RecordOf } from '@/core/scene/records/all-records';

/** Something to be told, with what can be done about it. */
export interface Told {
  id: string;
  words: string;
  mend: { word: string; edits: Edit[] } | null;
}

export interface Elsewhere {
  people: Present[];
  told: Told[];
}

export type ElsewhereStore = StoreApi<Elsewhere>;

/** More than this is not told one by one. */
const MOST_TOLD = 6;

export function createElsewhere(): ElsewhereStore {
  return createStore<Elsewhere>(() => ({ people: [], told: [] }));
}

export function tell(store: ElsewhereStore, told: Omit<Told, 'id'>): void {
  const next = { ...told, id: crypto.randomUUID() };
  store.setState((state) => ({ told: [...state.told, next].slice(-MOST_TOLD) }));
}

/** A value that was set here and that somebody wrote over, with a way to have it back. */
export function overwrittenBy(
  scene: SceneDocument,
  edits: readonly SentEdit[],
  { author, own }: { author: Person | null; own: Person },
  { collection, id, field, value }: Overwritten,
): Omit<Told, 'id'> {
  const who = nameOf(author, own);
  if (field === null)
    return {
      words: `${who} deleted ${recordWords(collection, value)}, which you had changed.`,
      mend: { word: 'Bring it back', edits: [create(collection, id, value as RecordOf<CollectionName>)] },
    };
  const record = scene[collection][id] as Record<string, unknown> | undefined;
  const theirs = edits.findLast((edit) => edit.collection === collection && edit.id === id)?.after?.[field];
  const words = `${who} changed ${fieldWords(field)} of ${recordWords(collection, record)} to ${valueWords(theirs)}; you had set ${valueWords(value)}.`;
  const back = { collection, id, before: { [field]: theirs }, after: { [field]: value } };
  return { words, mend: record ? { word: 'Have mine back', edits: [back] } : null };
}

/** A record that was changed here and deleted by somebody before that was saved. */
export function deletedBy(
  { author, own }: { author: Person | null; own: Person },
  collection: CollectionName,
  id: string,
  record: unknown,
): Omit<Told, 'id'> {
  return {
    words: `${nameOf(author, own)} deleted ${recordWords(collection, record)}, which you were changing.`,
    mend: { word: 'Bring it back', edits: [create(collection, id, record as RecordOf<CollectionName>)] },
  };
}

function nameOf(author: Person | null, own: Person): string {
  if (author?.id === own.id) return 'Another tab of yours';
  return author?.name || 'Somebody else';
}

/** A record in words: by its name where it has one. */
export function recordWords(collection: CollectionName, record: unknown): string {
  const { name } = (record ?? {}) as { name?: string };
  return name ? name : `one of the ${collection}`;
}

/** The name of a field without the unit that it ends in: `reachPx` is reach. */
export function fieldWords(field: string): string {
  const words = field
    .replace(/(Px|Deg|Hz|Hours|Sha)$/, '')
    .replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  return words.trim();
}

/** A value as it can be said; what is no plain value is not. */
function valueWords(value: unknown): string {
  if (value === null || value === undefined) return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'object' ? 'something else' : String(value);
}
