/** A look as a file of its own: the fields of a look as JSON; what is left out is at rest. */
import { InputFault } from '../faults';
import type { LookFields } from './records/look';
import { looks } from './records/look';
import { withDefaults } from './records/defaults-of';
import { checkRecord } from './read-scene';

/** What the file itself is called stands in its name. */
const NAMED = { name: '', order: 'a' };

/**
 * @param value the JSON of the file, parsed
 * @throws InputFault naming the field
 */
export function readLook(value: unknown): LookFields {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new InputFault('A look must be a JSON object with fields of the finish.');
  const unknown = Object.keys(value).find((field) => !(field in looks.schema.fields));
  // Something misspelt would else do nothing, and say nothing.
  if (unknown !== undefined) throw new InputFault(`A look has no field “${unknown}”.`, unknown);
  const look = withDefaults(looks.schema, { ...NAMED, ...value });
  checkRecord('looks', 'file', look);
  return look as LookFields;
}
