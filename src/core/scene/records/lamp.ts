import { mixed, object } from 'yup';
import { degrees, flag, ID, level, naming } from '../../fields';
import { LIMITS } from '../../limits';
import { fixtureFields } from './fixture';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';
import { flameFields, lightPartFields, type FlamePart, type LightPart } from './luminaire';

/** Fields of parts that differ in one lamp, by the part's id. */
type Overrides = Record<string, Partial<LightPart> | Partial<FlamePart>>;

/** Any field of a light or a flame but its id, each as it must be. */
const { id: _id, ...overridable } = { ...flameFields(), ...lightPartFields() };
const overridableSchema = object(overridable);

function isOverride(fields: unknown): boolean {
  if (typeof fields !== 'object' || fields === null || Array.isArray(fields)) return false;
  const known = overridable as Record<string, { isValidSync(value: unknown, options: object): boolean }>;
  return Object.entries(fields).every(
    ([field, value]) => known[field]?.isValidSync(value, { strict: true }) ?? false,
  );
}

function areOverrides(value: unknown): value is Overrides {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
  return Object.entries(value).every(([partId, fields]) => ID.test(partId) && isOverride(fields));
}

const schema = object({
  ...fixtureFields(),
  luminaireId: naming('luminaires', 'belongs'),
  turnDeg: degrees().default(0),
  flipX: flag().default(false),
  level: level().default(1).meta({ about: 'Multiplies the levels of its lights' }),
  overrides: mixed<Overrides>()
    .required()
    .test('parts', '${path} must hold fields of lights or flames by their ids', areOverrides)
    .default(() => ({}))
    .meta({
      about: "Fields that differ from the luminaire's, by the part's id",
      valueFields: overridableSchema,
    }),
});

export const lamps = {
  about: 'Placed luminaires: what they show is the luminaire, but for what they override',
  of: 'scene',
  most: LIMITS.lamps,
  schema,
} as const satisfies RecordKind;

export type Lamp = RecordType<typeof lamps>;

export function newLamp(fields: Given<Lamp, 'name' | 'luminaireId' | 'planeId' | 'order' | 'x' | 'y'>): Lamp {
  return newRecord(lamps, fields);
}
