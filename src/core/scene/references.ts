/**
 * How records name each other: what a record needs, what belongs to it, records under other ids and without what goes. All of it
 * follows from what the fields of the records say.
 */
import type { Reference } from '../fields';
import { compare, type SceneDocument } from './document';
import {
  COLLECTION_NAMES,
  SCENE_COLLECTIONS,
  PROJECT_COLLECTIONS,
  RECORDS,
  type CollectionName,
  type Collections,
  type ProjectCollection,
  type ProjectRecords,
  type RecordOf,
} from './records/all-records';
import type { RecordKind } from './records/kind';
import { eachName, mappedNames, namingNode, type NamingNode } from './reference-paths';

type Some = Partial<Collections>;

/** A record by its collection and id. */
export interface RecordName {
  collection: CollectionName;
  id: string;
}

const NODES = Object.fromEntries(
  COLLECTION_NAMES.map((name) => [name, namingNode(RECORDS[name].schema)]),
) as Record<CollectionName, NamingNode | null>;

/** The collection whose ids a collection shares: its records belong to those of the same id. */
function sharedIds(collection: CollectionName): CollectionName | null {
  const { sharesIdsWith } = RECORDS[collection] as RecordKind;
  return (sharesIdsWith as CollectionName | undefined) ?? null;
}

/** Calls for every record that a record names. */
export function eachReference(
  collection: CollectionName,
  record: unknown,
  visit: (refers: Reference, id: string, path: string) => void,
): void {
  const node = NODES[collection];
  if (node) eachName(node, record, ({ refers }, id, path) => refers && visit(refers, id, path));
}

/** The records of a scene's own that name a record: what is shown of a shared one. */
export function usesOf(scene: SceneDocument, collection: CollectionName, id: string): RecordName[] {
  return SCENE_COLLECTIONS.flatMap((own) =>
    Object.entries(scene[own]).flatMap(([ownId, record]): RecordName[] => {
      let isNamed = false;
      eachReference(own, record, (refers, named) => {
        isNamed ||= refers.to === collection && named === id;
      });
      return isNamed ? [{ collection: own, id: ownId }] : [];
    }),
  );
}

/** The files that a record names, by their sha-256. */
export function filesNamedBy(collection: CollectionName, record: unknown): string[] {
  const files: string[] = [];
  const node = NODES[collection];
  if (node) eachName(node, record, ({ isFile }, sha) => isFile && files.push(sha));
  return files;
}

/** A new id for a record, or the same one where it keeps its own. */
export type Renaming = (collection: CollectionName, id: string) => string;

/** Records under new ids, and everything that they name. */
export function renamedRecords<T extends Some>(records: T, rename: Renaming): T {
  const out: Record<string, Record<string, unknown>> = {};
  for (const [collection, own] of Object.entries(records) as [CollectionName, Record<string, unknown>][]) {
    const node = NODES[collection];
    const named = sharedIds(collection) ?? collection;
    out[collection] = Object.fromEntries(
      Object.entries(own).map(([id, record]) => [
        rename(named, id),
        node ? mappedNames(node, record, ({ to }, name) => rename(to as CollectionName, name)) : record,
      ]),
    );
  }
  return out as T;
}

/** The fields of a record that change where what they name goes; null where none does. */
export function withoutGone<C extends CollectionName>(
  collection: C,
  record: RecordOf<C>,
  isGone: (collection: CollectionName, id: string) => boolean,
): Partial<RecordOf<C>> | null {
  const node = NODES[collection];
  if (!node) return null;
  const left = mappedNames(node, record, ({ to }, id) => (isGone(to as CollectionName, id) ? null : id));
  if (left === record) return null;
  const fields = Object.entries(left).filter(
    ([field, value]) => value !== record[field as keyof RecordOf<C>],
  );
  return Object.fromEntries(fields) as Partial<RecordOf<C>>;
}

/** What a record cannot stand without. */
function ownersOf(collection: CollectionName, id: string, record: unknown): RecordName[] {
  const owners: RecordName[] = [];
  const shared = sharedIds(collection);
  if (shared) owners.push({ collection: shared, id });
  eachReference(collection, record, ({ to, bond }, name) => {
    if (bond === 'belongs') owners.push({ collection: to as CollectionName, id: name });
  });
  return owners;
}

/**
 * What goes with what is picked: all that stands on a plane, what hangs on a sprite and so on down the chain, its occluders,
 * sprites of an artwork.
 * @returns what was picked, in its order, and behind it what goes with it, each once
 */
export function withCompanions(scene: SceneDocument, picked: readonly RecordName[]): RecordName[] {
  const belongings = new Map<string, RecordName[]>();
  for (const collection of COLLECTION_NAMES) {
    for (const [id, record] of Object.entries(scene[collection])) {
      for (const owner of ownersOf(collection, id, record)) {
        const list = belongings.get(keyOf(owner));
        if (list) list.push({ collection, id });
        else belongings.set(keyOf(owner), [{ collection, id }]);
      }
    }
  }
  const taken = new Map<string, RecordName>();
  for (const name of picked) if (!taken.has(keyOf(name))) taken.set(keyOf(name), name);
  // A map grows while it is walked, and the walk reaches what was added.
  for (const [key] of taken)
    for (const name of belongings.get(key) ?? []) if (!taken.has(keyOf(name))) taken.set(keyOf(name), name);
  return [...taken.values()];
}

function keyOf({ collection, id }: RecordName): string {
  return `${collection}/${id}`;
}

/** Collections of the project that anything names: recipes are only taken off the shelf. */
type Named = Exclude<ProjectCollection, 'recipes'>;
const NAMED = PROJECT_COLLECTIONS.filter((collection) => collection !== 'recipes') as Named[];

/**
 * The project's records that scene records need: the artworks that they show with their reliefs and strokes, those that
 * lend a relief, the luminaires that lamps follow or artworks bring along, and the artworks of their flames and gobos.
 */
export function neededRecords(
  project: Pick<SceneDocument, Named>,
  scene: Some,
): Omit<ProjectRecords, 'recipes'> {
  const taken = new Map(NAMED.map((collection) => [collection as string, new Set<string>()]));
  const waiting: RecordName[] = [];
  const take = (collection: CollectionName, id: string) => {
    const ids = taken.get(collection);
    if (!ids || ids.has(id)) return;
    ids.add(id);
    waiting.push({ collection, id });
  };
  const takeNeeds = (collection: CollectionName, record: unknown) =>
    eachReference(collection, record, ({ to, bond }, id) => {
      if (bond !== 'names') take(to as CollectionName, id);
    });
  for (const collection of Object.keys(scene) as CollectionName[])
    if (RECORDS[collection]?.of === 'scene')
      for (const record of Object.values(scene[collection]!)) takeNeeds(collection, record);
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { collection, id } = next;
    takeNeeds(collection, project[collection as Named]?.[id]);
    // What shares its id belongs to it, and may need others in turn.
    for (const other of NAMED) if (sharedIds(other) === collection) take(other, id);
  }
  const holds = (collection: Named, id: string, record: unknown) =>
    taken.get(collection)!.has(id) ||
    ownersOf(collection, id, record).some((owner) => taken.get(owner.collection)?.has(owner.id));
  return Object.fromEntries(
    NAMED.map((collection) => [
      collection,
      only(project[collection] as Record<string, unknown>, (id, record) => holds(collection, id, record)),
    ]),
  ) as unknown as Omit<ProjectRecords, 'recipes'>;
}

/** A name that leads nowhere. */
export interface DanglingReference extends RecordName {
  /** The field that holds it. */
  path: string;
  to: CollectionName;
  missing: string;
}

interface NamedRecord {
  path: string;
  to: CollectionName;
  name: string;
}

/** The names in records, found once for each: a record is never changed. */
export class ReferenceMemory {
  private readonly known = new WeakMap<object, readonly NamedRecord[]>();

  of(collection: CollectionName, record: object): readonly NamedRecord[] {
    let names = this.known.get(record);
    if (!names) {
      const found: NamedRecord[] = [];
      eachReference(collection, record, ({ to }, name, path) =>
        found.push({ path, to: to as CollectionName, name }),
      );
      this.known.set(record, (names = found));
    }
    return names;
  }
}

/** All names in a scene that lead nowhere. @param memory of whoever asks again and again */
export function danglingReferences(
  scene: SceneDocument,
  memory = new ReferenceMemory(),
): DanglingReference[] {
  const found: DanglingReference[] = [];
  for (const collection of COLLECTION_NAMES)
    for (const [id, record] of Object.entries(scene[collection]))
      for (const { path, to, name } of memory.of(collection, record))
        if (scene[to][name] === undefined) found.push({ collection, id, path, to, missing: name });
  return found;
}

/** The records that a test holds for, by id. */
function only<T>(records: Record<string, T>, holds: (id: string, record: T) => boolean): Record<string, T> {
  return Object.fromEntries(
    Object.keys(records)
      .sort(compare)
      .flatMap((id) => (holds(id, records[id]) ? [[id, records[id]]] : [])),
  );
}
