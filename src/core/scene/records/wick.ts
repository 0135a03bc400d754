import { object, type InferType } from 'yup';
import { name, oneOf } from '../../fields';
import { LIMITS } from '../../limits';
import { WICK_FIELDS, WICK_KINDS } from '../../time/wicks/all-wicks';
import { newRecord, type Given, type RecordKind } from './kind';

/** A curve of time around 1. */
export const wickSchema = object({ name: name(), kind: oneOf(WICK_KINDS).default('breeze'), ...WICK_FIELDS });

export type Wick = InferType<typeof wickSchema>;

export const wicks = {
  about: 'Curves of time around 1, shared by lights; each light runs it from a phase of its own',
  of: 'scene',
  most: LIMITS.wicks,
  schema: wickSchema,
} as const satisfies RecordKind;

export function newWick(fields: Given<Wick, 'name' | 'seed'>): Wick {
  return newRecord(wicks, fields);
}
