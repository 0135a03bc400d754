import { object } from 'yup';
import { file, name, oneOf, order } from '../../fields';
import { LIMITS } from '../../limits';
import type { RecordKind } from './kind';

/** How the file of a table is written: as lines of text, or as a picture of squares. */
const TABLE_FORMATS = ['cube', 'picture'] as const;

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
