import { object } from 'yup';
import { file, name, oneOf, order } from '../../fields';
import { TABLE_FORMATS } from '../../finish/table-formats';
import { LIMITS } from '../../limits';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

const schema = object({
  name: name(),
  order: order(),
  fileSha: file().meta({ about: 'Its file' }),
  format: oneOf(TABLE_FORMATS).default('cube').meta({ about: 'How the file is written' }),
});

export const tables = {
  about: 'Lookup tables of colours on the shelf; looks and scenes name them',
  of: 'project',
  most: LIMITS.tables,
  schema,
} as const satisfies RecordKind;

export type TableRecord = RecordType<typeof tables>;

export function newTable(fields: Given<TableRecord, 'name' | 'order' | 'fileSha' | 'format'>): TableRecord {
  return newRecord(tables, fields);
}
