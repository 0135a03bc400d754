/** Migrations that plain SQL cannot make, by their names; they take their turns among the `.sql` files. */
import type { PoolConnection } from 'mysql2/promise';
import { recordsFromDocuments } from './007-records-from-documents';
import { recordsOfVersion6 } from './009-records-of-version-6';
import { recordsOfVersion7 } from './010-records-of-version-7';
import { recordsOfVersion8 } from './011-records-of-version-8';
import { recordsOfVersion9 } from './012-records-of-version-9';
import { recordsOfVersion10 } from './013-records-of-version-10';
import { recordsOfVersion11 } from './016-records-of-version-11';

export type CodeStep = (connection: PoolConnection) => Promise<void>;

export const CODE_STEPS: Readonly<Record<string, CodeStep>> = {
  '007-records-from-documents': recordsFromDocuments,
  '009-records-of-version-6': recordsOfVersion6,
  '010-records-of-version-7': recordsOfVersion7,
  '011-records-of-version-8': recordsOfVersion8,
  '012-records-of-version-9': recordsOfVersion9,
  '013-records-of-version-10': recordsOfVersion10,
  '016-records-of-version-11': recordsOfVersion11,
};
