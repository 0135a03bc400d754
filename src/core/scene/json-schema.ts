/**
 * The scene document's JSON Schema (2020-12), made from the schemas that check it: types, bounds, defaults and what fields mean.
 * What a schema cannot say (numbers in pairs, no two cues at one hour) stands in its descriptions.
 */
import type { SchemaDescription, SchemaFieldDescription } from 'yup';
import { ID } from '../fields';
import { SCENE_FORMAT, SCENE_VERSION } from './document';
import { COLLECTION_NAMES, RECORDS } from './records/all-records';
import type { RecordKind } from './records/kind';

type Json = Record<string, unknown>;

const IDS = { pattern: ID.source };

export function jsonSchema(): Json {
  const collections = Object.fromEntries(
    COLLECTION_NAMES.map((name) => {
      const { about, most, schema, onlyId }: RecordKind = RECORDS[name];
      return [
        name,
        {
          type: 'object',
          description: about,
          additionalProperties: described(schema.describe()),
          ...(onlyId
            ? { propertyNames: { const: onlyId }, required: [onlyId] }
            : { propertyNames: IDS, maxProperties: most }),
        },
      ];
    }),
  );
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Oilwick scene',
    type: 'object',
    required: ['format', 'version', ...COLLECTION_NAMES],
    properties: { format: { const: SCENE_FORMAT }, version: { const: SCENE_VERSION }, ...collections },
  };
}

/** What schemas of every type may say, as their descriptions do. */
type Described = SchemaDescription & {
  fields?: Record<string, SchemaFieldDescription>;
  innerType?: SchemaFieldDescription;
};

function described(field: SchemaFieldDescription): Json {
  const own = field as Described;
  const { type, nullable, meta, default: preset } = own;
  const name = type === 'number' && own.tests.some((test) => test.name === 'integer') ? 'integer' : type;
  return {
    ...(type === 'mixed' ? { type: 'object' } : { type: nullable ? [name, 'null'] : name }),
    ...(meta?.about ? { description: meta.about } : {}),
    // A value made of the defaults of its own fields is said by these.
    ...(preset !== undefined && (type !== 'object' || preset === null) ? { default: preset } : {}),
    ...BY_TYPE[type]?.(own),
  };
}

/** What is said of each type of value beside its name. */
const BY_TYPE: Record<string, (field: Described) => Json> = {
  object: (field) => ({
    properties: Object.fromEntries(
      Object.entries(field.fields ?? {}).map(([name, own]) => [name, described(own)]),
    ),
    required: requiredOf(field),
    ...(field.tests.some(({ name }) => name === 'noUnknown') ? { additionalProperties: false } : {}),
  }),
  array: (field) => ({
    ...(field.innerType ? { items: described(field.innerType) } : {}),
    ...bound(field, 'min', 'min', 'minItems'),
    ...bound(field, 'max', 'max', 'maxItems'),
    ...bound(field, 'length', 'length', 'minItems'),
    ...bound(field, 'length', 'length', 'maxItems'),
  }),
  number: (field) => ({
    ...bound(field, 'min', 'min', 'minimum'),
    ...bound(field, 'max', 'max', 'maximum'),
    ...exclusive(field),
    ...choices(field),
  }),
  string: (field) => ({
    ...bound(field, 'max', 'max', 'maxLength'),
    ...(testOf(field, 'matches')?.regex instanceof RegExp
      ? { pattern: (testOf(field, 'matches')!.regex as RegExp).source }
      : {}),
    ...choices(field),
  }),
  mixed: ({ meta }) => {
    const values = meta?.valueFields?.describe();
    if (!values) return {};
    // Of each value any of the fields may be there.
    const value = { ...described(values), required: [], additionalProperties: false };
    return { additionalProperties: value, propertyNames: IDS };
  },
};

/** Fields without a default must be given. */
function requiredOf({ fields = {} }: Described): string[] {
  return Object.entries(fields).flatMap(([name, field]) => {
    const { type, default: preset, optional, nullable } = field as Described;
    const hasDefault = type === 'object' ? preset === null : preset !== undefined;
    return hasDefault || (optional && !nullable) ? [] : [name];
  });
}

function testOf({ tests }: Described, name: string): Json | undefined {
  // Of two bounds of one kind the later holds.
  return tests.findLast((test) => test.name === name)?.params as Json | undefined;
}

function bound(field: Described, test: string, param: string, keyword: string): Json {
  const value = testOf(field, test)?.[param];
  return value === undefined ? {} : { [keyword]: value };
}

function exclusive(field: Described): Json {
  const less = testOf(field, 'max')?.less;
  return less === undefined ? {} : { exclusiveMaximum: less };
}

function choices({ oneOf, nullable }: Described): Json {
  return oneOf.length === 0 ? {} : { enum: nullable && !oneOf.includes(null) ? [...oneOf, null] : oneOf };
}
