import { object } from 'yup';
import { colour, level, within } from '../../fields';
import { LIMITS } from '../../limits';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

const schema = object({
  clockHours: within(0, 24).lessThan(24).meta({ about: 'No two cues stand at one hour' }),
  ambientColour: colour().nullable().defined().default(null).meta({ about: 'Null leaves it to the others' }),
  ambientLevel: level().nullable().defined().default(null).meta({ about: 'Likewise' }),
});

export const cues = {
  about: 'The look of the scene at single hours',
  of: 'scene',
  most: LIMITS.cues,
  distinct: { field: 'clockHours', words: (hours) => `There is a cue at this hour already (${hours}).` },
  schema,
} as const satisfies RecordKind;

export type Cue = RecordType<typeof cues>;

export function newCue(fields: Given<Cue, 'clockHours'>): Cue {
  return newRecord(cues, fields);
}
