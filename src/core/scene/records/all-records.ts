/** The kinds of records, by their collections, in the order in which a document holds them. */
import { artworks } from './artwork';
import { chunks } from './chunk';
import { tables } from './colour-table';
import { circuits } from './circuit';
import { cues } from './cue';
import type { RecordKind, RecordType } from './kind';
import { defaultsOf } from './defaults-of';
import { lamps } from './lamp';
import { lights } from './light';
import { looks } from './look';
import { luminaires } from './luminaire';
import { occluders } from './occluder';
import { planes } from './plane';
import { recipes } from './recipe';
import { reliefs } from './relief';
import { sets } from './set';
import { settings } from './settings';
import { sprites } from './sprite';
import { strokes } from './stroke';
import { washes } from './wash';
import { wicks } from './wick';

export const RECORDS = {
  settings,
  planes,
  sprites,
  lights,
  occluders,
  wicks,
  washes,
  cues,
  chunks,
  lamps,
  sets,
  circuits,
  artworks,
  reliefs,
  strokes,
  recipes,
  luminaires,
  tables,
  looks,
} as const satisfies Record<string, RecordKind>;

type Records = typeof RECORDS;
export type CollectionName = keyof Records;
export type RecordOf<C extends CollectionName> = RecordType<Records[C]>;
export type Collections = { [C in CollectionName]: Record<string, RecordOf<C>> };

export const COLLECTION_NAMES = Object.keys(RECORDS) as CollectionName[];

/** The collections that belong to the project and are shared by its scenes. */
export type ProjectCollection = {
  [C in CollectionName]: Records[C]['of'] extends 'project' ? C : never;
}[CollectionName];
export type ProjectRecords = Pick<Collections, ProjectCollection>;

export const PROJECT_COLLECTIONS = COLLECTION_NAMES.filter(isOfProject);
/** The others, which every scene has for itself. */
export const SCENE_COLLECTIONS = COLLECTION_NAMES.filter((collection) => !isOfProject(collection));

export function isOfProject(collection: CollectionName): collection is ProjectCollection {
  return RECORDS[collection].of === 'project';
}

/** What a field of a new record of a collection is; undefined where it must be given. */
export function newFieldOf<C extends CollectionName, F extends keyof RecordOf<C>>(
  collection: C,
  field: F,
): RecordOf<C>[F] | undefined {
  return defaultsOf(RECORDS[collection].schema)[field as string] as RecordOf<C>[F] | undefined;
}
