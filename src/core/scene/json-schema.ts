/** The scene document's JSON Schema (2020-12), made from the same schemas that check it. */
import type { SchemaDescription, SchemaFieldDescription, SchemaObjectDescription } from 'yup';
import { COLLECTION_NAMES, SCENE_FORMAT, SCENE_VERSION } from './document';
import { SCHEMAS } from './schema';

type Json = Record<string, unknown>;

export function jsonSchema(): Json {
  const collections = Object.fromEntries(
    COLLECTION_NAMES.map((name) => [
      name,
      { type: 'object', additionalProperties: described(SCHEMAS[name].describe()) },
    ]),
  );
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Oilwick scene',
    type: 'object',
    required: ['format', 'version', ...COLLECTION_NAMES],
    properties: { format: { const: SCENE_FORMAT }, version: { const: SCENE_VERSION }, ...collections },
  };
}

function described(field: SchemaFieldDescription): Json {
  const { type, oneOf = [], nullable, tests = [] } = field as SchemaDescription;
  const test = (name: string) => tests.find((t) => t.name === name)?.params as Json | undefined;
  const out: Json = {};
  if (type === 'object') {
    const { fields } = field as SchemaObjectDescription;
    const required = Object.entries(fields).filter(
      ([, f]) => !(f as SchemaDescription).optional || (f as SchemaDescription).nullable,
    );
    Object.assign(out, {
      properties: Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, described(f)])),
      required: required.map(([name]) => name),
    });
  }
  if (type === 'array') {
    const { innerType } = field as unknown as { innerType?: SchemaFieldDescription };
    if (innerType) out.items = described(innerType);
    if (test('min')) out.minItems = test('min')!.min;
    if (test('max')) out.maxItems = test('max')!.max;
  }
  if (type === 'number') {
    if (test('min')) out.minimum = test('min')!.min;
    if (test('max')?.max !== undefined) out.maximum = test('max')!.max;
  }
  if (type === 'string') {
    const pattern = test('matches')?.regex;
    if (pattern instanceof RegExp) out.pattern = pattern.source;
    if (oneOf.length > 0) out.enum = oneOf;
  }
  const name = type === 'number' && test('integer') ? 'integer' : type;
  return { type: nullable ? [name, 'null'] : name, ...out };
}
