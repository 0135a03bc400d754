/** Defaults, read off schemas. */
import type { AnyObjectSchema, ISchema } from 'yup';

type Json = Record<string, unknown>;

/** A schema as far as it is walked here. */
interface Walked {
  type: string;
  spec: { default?: unknown; nullable: boolean };
  fields?: Record<string, Walked>;
  innerType?: Walked;
}

/** The fields of a schema that have a default, each made anew. */
export function defaultsOf(schema: AnyObjectSchema): Json {
  const out: Json = {};
  for (const [field, own] of Object.entries(fieldsOf(schema))) {
    const value = defaultOf(own);
    if (value !== undefined) out[field] = value;
  }
  return out;
}

/**
 * A value with the defaults of its schema in the places of fields that are left out, as deep as it goes. What is no object is
 * left for the schema to refuse.
 */
export function withDefaults(schema: ISchema<unknown>, value: unknown): unknown {
  return filled(schema as unknown as Walked, value);
}

function filled(schema: Walked, value: unknown): unknown {
  if (schema.innerType && Array.isArray(value)) {
    const { innerType } = schema;
    return innerType.fields || innerType.innerType
      ? value.map((item: unknown) => filled(innerType, item))
      : value;
  }
  if (!schema.fields || typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const out: Json = { ...(value as Json) };
  for (const [field, own] of Object.entries(schema.fields))
    out[field] = out[field] === undefined ? defaultOf(own) : filled(own, out[field]);
  for (const field of Object.keys(out)) if (out[field] === undefined) delete out[field];
  return out;
}

function defaultOf({ spec }: Walked): unknown {
  const { default: value } = spec;
  // Functions make a new list each time, so that no two records share one.
  return typeof value === 'function' ? (value as () => unknown)() : value;
}

function fieldsOf(schema: AnyObjectSchema): Record<string, Walked> {
  return schema.fields as unknown as Record<string, Walked>;
}
