import { array, object, type AnyObject, type NumberSchema, type StringSchema } from 'yup';
import { colour, flag, level, list, naming, namingOrNull, oneOf, share, within } from '../../fields';
import { FINISH_FIELDS } from '../../finish/all-passes';
import { planeBlurPx } from '../../finish/focus';
import { LIMITS } from '../../limits';
import { CUE_VALUE_NAMES } from '../../time/cue-values';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

const colourOrNull = (about: string) => colour().nullable().defined().default(null).meta({ about });
const levelOrNull = (about: string) => level().nullable().defined().default(null).meta({ about });

const shareOrNull = () => share().nullable().defined().default(null);

/** A field of the finish, which a cue may leave alone. */
const numberOrNull = <D extends number>(field: NumberSchema<number, AnyObject, D, 'd'>) =>
  field.nullable().defined().default(null);
const finishColourOrNull = <D extends string>(field: StringSchema<string, AnyObject, D, 'd'>) =>
  field.nullable().defined().default(null);

/** Every number and colour of the finish. */
const FINISH_CUE_FIELDS = {
  exposureStops: numberOrNull(FINISH_FIELDS.exposureStops),
  autoShare: numberOrNull(FINISH_FIELDS.autoShare),
  fringePx: numberOrNull(FINISH_FIELDS.fringePx),
  bloomLevel: numberOrNull(FINISH_FIELDS.bloomLevel),
  bloomThreshold: numberOrNull(FINISH_FIELDS.bloomThreshold),
  bloomKnee: numberOrNull(FINISH_FIELDS.bloomKnee),
  bloomSpread: numberOrNull(FINISH_FIELDS.bloomSpread),
  bloomColour: finishColourOrNull(FINISH_FIELDS.bloomColour),
  vignetteLevel: numberOrNull(FINISH_FIELDS.vignetteLevel),
  vignetteInner: numberOrNull(FINISH_FIELDS.vignetteInner),
  vignetteRoundness: numberOrNull(FINISH_FIELDS.vignetteRoundness),
  vignetteColour: finishColourOrNull(FINISH_FIELDS.vignetteColour),
  whiteLevel: numberOrNull(FINISH_FIELDS.whiteLevel),
  slopeRed: numberOrNull(FINISH_FIELDS.slopeRed),
  slopeGreen: numberOrNull(FINISH_FIELDS.slopeGreen),
  slopeBlue: numberOrNull(FINISH_FIELDS.slopeBlue),
  offsetRed: numberOrNull(FINISH_FIELDS.offsetRed),
  offsetGreen: numberOrNull(FINISH_FIELDS.offsetGreen),
  offsetBlue: numberOrNull(FINISH_FIELDS.offsetBlue),
  powerRed: numberOrNull(FINISH_FIELDS.powerRed),
  powerGreen: numberOrNull(FINISH_FIELDS.powerGreen),
  powerBlue: numberOrNull(FINISH_FIELDS.powerBlue),
  saturation: numberOrNull(FINISH_FIELDS.saturation),
  tableShare: numberOrNull(FINISH_FIELDS.tableShare),
};

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
  lookId: namingOrNull('looks', 'needs').meta({
    about: 'The look that is mixed in at this hour; it goes over into that of the next cue that names one',
  }),
  lookShare: shareOrNull(),
  ...FINISH_CUE_FIELDS,
  blurPx: planeBlurPx().nullable().defined().default(null),
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
