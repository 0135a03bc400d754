/** What server and page say to each other of a scene that several have open. */
import type { Overwritten, SentEdit } from './patches';
import type { CollectionName } from './records/all-records';

/** Somebody who has a scene open: an id of their browser, and the name that they gave. */
export interface Person {
  id: string;
  name: string;
}

/** A record that somebody picked. */
export interface PickedName {
  collection: CollectionName;
  id: string;
}

/** Somebody who has the scene open. */
export interface Present extends Person {
  picked: PickedName[];
}

/** A patch that was taken: one of the scene, or what another scene of the project did to the shared records. */
export interface Change {
  /** The scene's; null is a change by another scene. */
  revision: number | null;
  /** Its number among those that changed the project's shared records; null changed none. */
  changeNumber: number | null;
  transactionId: string;
  author: Person | null;
  edits: SentEdit[];
  overwritten: Overwritten[];
}

/** Up to where somebody knows a scene: its revision, and the number of the last change of its project's shared records. */
export interface Known {
  revision: number;
  changeNumber: number;
}

export interface PatchAnswer {
  /** The revision that the patch made. */
  revision: number;
  /** The number of its change of the project's shared records; null changed none. */
  changeNumber: number | null;
  /** What came between what its author knew and itself; null is more than an answer holds. */
  since: Change[] | null;
  /** Values of others that it wrote over. */
  overwritten: Overwritten[];
  /** Places of its edits that change records which others deleted. */
  gone: number[];
}

/** An edit of a patch that does not fit. */
export interface RefusedEdit {
  /** Its place among the edits. */
  edit: number;
  why: string;
  /** Path of the field at fault. */
  field: string | null;
}

/** What is told to those who have a scene open. */
export type FeedEvent =
  | { kind: 'changes'; changes: Change[]; revision: number; changeNumber: number }
  /** More happened than is worth sending. */
  | { kind: 'reload' }
  /** Who else is there. */
  | { kind: 'people'; people: Present[] };

/** A revision of a scene, as the list of them tells of it. */
export interface RevisionEntry {
  revision: number;
  /** ISO 8601, UTC. */
  madeAt: string;
  author: Person | null;
  /** How many records of each collection it changed. */
  changed: Record<string, number>;
  /** What people called it. */
  name: string | null;
  hasPicture: boolean;
}
