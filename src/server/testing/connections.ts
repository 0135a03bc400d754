/** Which database the queries of a test ask. */
import { DatabaseNodes } from '../database/nodes';
import { pool as sharedPool } from '../database/pool';

export interface Connections {
  /** For what is given a pool of its own. */
  pool: DatabaseNodes;
  close(): Promise<void>;
}

/** Has all queries of this process ask one database until it is closed. */
export function askDatabase(url: string): Connections {
  process.env.OILWICK_DATABASE_URL = url;
  const pool = new DatabaseNodes(url);
  return {
    pool,
    async close() {
      // Connections to a database that was killed end with an error.
      await Promise.allSettled([sharedPool().end(), pool.end()]);
      (globalThis as { oilwickPool?: unknown }).oilwickPool = undefined;
      // A program that is started later must not take it for its own.
      delete process.env.OILWICK_DATABASE_URL;
    },
  };
}
