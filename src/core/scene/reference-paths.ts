/** Where in a record other records and files are named: found once in each schema, so that only what matters is walked. */
import type { AnyObjectSchema, SchemaDescription, SchemaFieldDescription } from 'yup';
import type { Reference } from '../fields';

/** A part of a schema beneath which something is named. */
export interface NamingNode {
  nullable: boolean;
  refers?: Reference;
  isFile?: boolean;
  fields?: readonly (readonly [string, NamingNode])[];
  /** Of the items of a list. */
  item?: NamingNode;
  /** Of values by ids whose fields may be left out. */
  value?: NamingNode;
}

/** The nodes of a schema; null where nothing in it names anything. */
export function namingNode(schema: AnyObjectSchema): NamingNode | null {
  return nodeOf(schema.describe());
}

function nodeOf(field: SchemaFieldDescription): NamingNode | null {
  const { meta, nullable = false } = field as SchemaDescription;
  const { fields, innerType } = field as unknown as {
    fields?: Record<string, SchemaFieldDescription>;
    innerType?: SchemaFieldDescription;
  };
  const value = meta?.valueFields ? namingNode(meta.valueFields) : null;
  const item = innerType ? nodeOf(innerType) : null;
  const inner = Object.entries(fields ?? {}).flatMap(([name, own]) => {
    const node = nodeOf(own);
    return node ? [[name, node] as const] : [];
  });
  const node: NamingNode = { nullable };
  if (meta?.refers) node.refers = meta.refers;
  if (meta?.isFile) node.isFile = true;
  if (inner.length > 0) node.fields = inner;
  if (item) node.item = item;
  if (value) node.value = value;
  return Object.keys(node).length > 1 ? node : null;
}

/** Calls for every name in a value, with the path to it. */
export function eachName(
  node: NamingNode,
  value: unknown,
  visit: (node: NamingNode, name: string, path: string) => void,
  path = '',
): void {
  if (value === null || value === undefined) return;
  if (node.refers || node.isFile) visit(node, value as string, path);
  const inner = (name: string | number) => (path === '' ? String(name) : `${path}.${name}`);
  if (node.fields)
    for (const [field, own] of node.fields)
      eachName(own, (value as Record<string, unknown>)[field], visit, inner(field));
  if (node.item)
    for (const [i, item] of (value as unknown[]).entries()) eachName(node.item, item, visit, inner(i));
  if (node.value)
    for (const [id, own] of Object.entries(value as object)) eachName(node.value, own, visit, inner(id));
}

/** What takes the place of a name: another one, or nothing. */
export type NameMap = (refers: Reference, name: string) => string | null;

const GONE = Symbol('gone');

/**
 * A value with other names in it; the very same one where none changes. A name that goes leaves null where there may be none;
 * else what holds it goes with it: an item of a list, an object that may be null.
 */
export function mappedNames<T>(node: NamingNode, value: T, map: NameMap): T {
  const mapped = mappedValue(node, value, map);
  return mapped === GONE ? value : (mapped as T);
}

function mappedValue(node: NamingNode, value: unknown, map: NameMap): unknown {
  if (value === null || value === undefined) return value;
  const mapped = mappedInside(node, value, map);
  return mapped === GONE && node.nullable ? null : mapped;
}

function mappedInside(node: NamingNode, value: unknown, map: NameMap): unknown {
  if (node.refers) return map(node.refers, value as string) ?? GONE;
  if (node.item) return mappedItems(node.item, value as unknown[], map);
  if (node.value) return mappedEach(node.value, value as Record<string, unknown>, map);
  if (!node.fields) return value;
  let out = value as Record<string, unknown>;
  for (const [field, own] of node.fields) {
    const before = out[field];
    const after = mappedValue(own, before, map);
    if (after === GONE) return GONE;
    if (after !== before) out = { ...out, [field]: after };
  }
  return out;
}

function mappedItems(node: NamingNode, items: unknown[], map: NameMap): unknown[] {
  const mapped = items.map((item) => mappedValue(node, item, map));
  if (mapped.every((item, i) => item === items[i])) return items;
  const left = mapped.filter((item) => item !== GONE);
  const orElse = node.refers?.orElse;
  return left.length === 0 && items.length > 0 && orElse !== undefined ? [orElse] : left;
}

/** Values whose fields may be left out: a name that goes takes its field along. */
function mappedEach(
  node: NamingNode,
  values: Record<string, unknown>,
  map: NameMap,
): Record<string, unknown> {
  let out = values;
  for (const [id, value] of Object.entries(values)) {
    let own = value as Record<string, unknown>;
    for (const [field, inner] of node.fields ?? []) {
      if (!(field in own)) continue;
      const after = mappedValue(inner, own[field], map);
      if (after === own[field]) continue;
      const { [field]: _gone, ...rest } = own;
      own = after === GONE ? rest : { ...rest, [field]: after };
    }
    if (own !== value) out = { ...out, [id]: own };
  }
  return out;
}
