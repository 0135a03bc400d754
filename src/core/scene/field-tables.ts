/** Tables of every field of the scene document for docs/fields.md, made from its JSON Schema. */
import { jsonSchema } from './json-schema';
import { COLLECTION_NAMES, RECORDS } from './records/all-records';

interface Schema {
  type?: string | string[];
  description?: string;
  default?: unknown;
  enum?: unknown[];
  pattern?: string;
  minimum?: number;
  maximum?: number;
  exclusiveMaximum?: number;
  minItems?: number;
  maxItems?: number;
  maxLength?: number;
  items?: Schema;
  properties?: Record<string, Schema>;
  required?: string[];
  additionalProperties?: Schema | false;
}

/** @returns Markdown: a table for each collection, a row for each field, fields of fields behind a dot */
export function fieldTables(): string {
  const { properties } = jsonSchema() as unknown as { properties: Record<string, Schema> };
  return COLLECTION_NAMES.map((name) => {
    const record = properties[name].additionalProperties as Schema;
    const { about, of } = RECORDS[name];
    const shared = of === 'project' ? ' They belong to the project and are shared by its scenes.' : '';
    return `## ${name}\n${about}.${shared}\n\n| field | what | default | |\n|---|---|---|---|\n${rowsOf(record, '').join('\n')}\n`;
  }).join('\n');
}

function rowsOf({ properties = {}, required = [] }: Schema, before: string): string[] {
  return Object.entries(properties).flatMap(([name, field]) => {
    const path = `${before}${name}`;
    const preset = field.default === undefined ? '' : `\`${JSON.stringify(field.default)}\``;
    const isLeft = field.default === undefined && !required.includes(name);
    const row = [`\`${path}\``, whatOf(field), isLeft ? 'may be left out' : preset, field.description ?? ''];
    return [`| ${row.map(cell).join(' | ')} |`, ...innerRows(field, path)];
  });
}

function innerRows({ items, properties, additionalProperties, ...field }: Schema, path: string): string[] {
  if (items?.properties) return rowsOf(items, `${path}[].`);
  if (items?.additionalProperties || items?.items?.properties) return innerRows(items, `${path}[]`);
  if (additionalProperties) return rowsOf(additionalProperties, `${path}.ID.`);
  return properties ? rowsOf({ ...field, properties }, `${path}.`) : [];
}

function whatOf(field: Schema): string {
  const types = [field.type ?? []].flat();
  const orNull = types.includes('null') ? ' or null' : '';
  if (field.enum) {
    const values = field.enum.filter((value) => value !== null);
    return `${values.map((value) => `\`${String(value)}\``).join(', ')}${orNull}`;
  }
  const [type] = types;
  const span = spanOf(field.minimum, field.maximum ?? field.exclusiveMaximum);
  switch (type) {
    case 'array': {
      const count = spanOf(field.minItems, field.maxItems);
      return `list of ${count ? `${count} ` : ''}${plural(whatOf(field.items ?? {}))}${orNull}`;
    }
    case 'object':
      return field.additionalProperties ? 'values by ids' : `fields${orNull}`;
    case 'string':
      return `${textOf(field)}${orNull}`;
    default:
      return `${type ?? 'value'}${span ? ` ${span}` : ''}${orNull}`;
  }
}

/** Texts are known by their patterns. */
function textOf({ pattern, maxLength }: Schema): string {
  if (pattern?.includes('{6}')) return 'colour';
  if (pattern?.includes('{64}')) return 'sha-256';
  if (pattern?.includes('{1,64}')) return 'id';
  if (pattern) return 'order key';
  return maxLength === undefined ? 'text' : `text of up to ${maxLength}`;
}

function spanOf(low?: number, high?: number): string {
  if (low === undefined && high === undefined) return '';
  if (low === high) return String(low);
  if (low === undefined) return `up to ${high}`;
  return high === undefined ? `from ${low}` : `${low} to ${high}`;
}

function plural(what: string): string {
  if (what.startsWith('list of ')) return `lists of ${what.slice(8)}`;
  return what.replace(/^(number|integer|colour|id|text|boolean)\b/, '$1s');
}

function cell(text: string): string {
  return text.replaceAll('|', '\\|');
}
