/** What a kind of record is: one object in one file, listed in all-records.ts. */
import type { InferType, ObjectSchema } from 'yup';
import { defaultsOf } from './defaults-of';

export interface RecordKind<T extends object = object> {
  /** What its collection holds, for docs/formats.md. */
  about: string;
  /** Whether it belongs to a scene, or to the project and is shared by its scenes. */
  of: 'scene' | 'project';
  /** How many of them there may be. */
  most: number;
  schema: ObjectSchema<T>;
  /** The one id that there is, where there is but one record. It cannot be deleted. */
  onlyId?: string;
  /** A field of which no two records have the same value, and what to say where they would. */
  distinct?: { field: string; words(value: unknown): string };
  /** What all of them together may have at most of something, how much one has of it, and what it is called. */
  sum?: { of(record: object): number; most: number; word: string };
  /** A collection whose records it shares its ids with: it belongs to the record of the same id. */
  sharesIdsWith?: string;
}

export type RecordType<K extends { schema: ObjectSchema<object> }> = InferType<K['schema']>;

/** What must be given of a record, and what may be. */
export type Given<T, K extends keyof T> = Pick<T, K> & Partial<T>;

/** A record with the defaults of its schema in all fields that are not given. */
export function newRecord<T extends object>({ schema }: RecordKind<T>, fields: Partial<T>): T {
  return { ...(defaultsOf(schema) as Partial<T>), ...fields } as T;
}
