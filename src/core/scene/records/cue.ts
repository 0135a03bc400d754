import { array, object } from 'yup';
import { colour, flag, level, list, naming, namingOrNull, oneOf, share, within } from '../../fields';
import { exposureStops } from '../../finish/exposure';
import { whiteLevel } from '../../finish/tone';
import { LIMITS } from '../../limits';
import { CUE_VALUE_NAMES } from '../../time/cue-values';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

const colourOrNull = (about: string) => colour().nullable().defined().default(null).meta({ about });
const levelOrNull = (about: string) => level().nullable().defined().default(null).meta({ about });

const shareOrNull = () => share().nullable().defined().default(null);

const circuitLevel = object({
  circuitId: naming('circuits', 'belongs'),
  level: level(),
  held: flag().default(false).meta({ about: 'It stays so until the next cue with a level of this circuit' }),
});

const schema = object({
  clockHours: within(0, 24).lessThan(24).meta({ about: 'No two cues stand at one hour' }),
  ambientColour: colourOrNull('Null leaves it to the others'),
  ambientLevel: levelOrNull('Likewise, and so on'),
  sunColour: colourOrNull('Of the lights that follow the sun, in the place of their own'),
  sunLevel: levelOrNull('Likewise'),
  moonColour: colourOrNull('Of the lights that follow the moon'),
  moonLevel: levelOrNull('Likewise'),
  cloudStrength: shareOrNull(),
  cloudCover: shareOrNull(),
  cloudColour: colourOrNull('What clouds leave of the light'),
  mistStrength: shareOrNull(),
  mistCover: shareOrNull(),
  mistColour: colourOrNull('What mist looks like'),
  washId: namingOrNull('washes', 'names').meta({
    about:
      'The wash that lies on the picture at this hour; it fades into that of the next cue that names one',
  }),
  washStrength: shareOrNull(),
  exposureStops: exposureStops().nullable().defined().default(null),
  whiteLevel: whiteLevel().nullable().defined().default(null),
  circuitLevels: list(circuitLevel, LIMITS.circuits)
    .default(() => [])
    .meta({ about: 'Levels at which circuits are run' }),
  held: array()
    .of(oneOf(CUE_VALUE_NAMES))
    .required()
    .min(0)
    .max(CUE_VALUE_NAMES.length)
    .default(() => [])
    .meta({
      about: 'Values that stay as they are until the next cue that holds them; the others run smoothly',
    }),
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
