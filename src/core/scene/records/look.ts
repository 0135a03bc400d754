import { object } from 'yup';
import { name, order } from '../../fields';
import { LOOK_FIELDS } from '../../finish/all-passes';
import { LIMITS } from '../../limits';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

const schema = object({
  name: name(),
  order: order(),
  ...LOOK_FIELDS,
});

export const looks = {
  about: 'Named finishes on the shelf: scenes and their cues name them, and mix them in by a share',
  of: 'project',
  most: LIMITS.looks,
  schema,
} as const satisfies RecordKind;

export type Look = RecordType<typeof looks>;
/** What a look does, without what it is called. */
export type LookFields = Omit<Look, 'name' | 'order'>;

export function newLook(fields: Given<Look, 'name' | 'order'>): Look {
  return newRecord(looks, fields);
}
