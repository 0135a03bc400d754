/** Migrations that plain SQL cannot make, by their names; they take their turns among the `.sql` files. */
import type { PoolConnection } from 'mysql2/promise';
import { recordsFromDocuments } from './007-records-from-documents';

export type CodeStep = (connection: PoolConnection) => Promise<void>;

export const CODE_STEPS: Readonly<Record<string, CodeStep>> = {
  '007-records-from-documents': recordsFromDocuments,
};
