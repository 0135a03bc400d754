/** Connections to the database, shared by the process; queries and transactions as scoped functions. */
import { createPool, type Pool, type PoolConnection } from 'mysql2/promise';
import { DatabaseFault } from '../faults';

export const CONNECTIONS = 8;
/** Deadlock, lock wait timeout, record changed since last read: tried again, the server asks for it. */
const RETRIED = new Set([1213, 1205, 1020]);
const MOST_TRIES = 5;

export function openPool(url: string): Pool {
  return createPool({
    uri: url,
    connectionLimit: CONNECTIONS,
    charset: 'utf8mb4',
    timezone: 'Z',
    supportBigNumbers: true,
    dateStrings: true,
    enableKeepAlive: true,
  });
}

/** Kept on the global object, so that every bundle of the server shares one pool. */
const shared = globalThis as typeof globalThis & { oilwickPool?: Pool };

export function pool(): Pool {
  if (!shared.oilwickPool) {
    const url = process.env.OILWICK_DATABASE_URL;
    if (!url) throw new DatabaseFault('OILWICK_DATABASE_URL is not set; the start command sets it.');
    shared.oilwickPool = openPool(url);
  }
  return shared.oilwickPool;
}

/** Runs work on a connection of its own, set to READ COMMITTED and strict mode. */
export async function withConnection<T>(
  work: (connection: PoolConnection) => Promise<T>,
  from: Pool = pool(),
): Promise<T> {
  let connection: PoolConnection;
  try {
    connection = await from.getConnection();
  } catch (cause) {
    throw new DatabaseFault('The database does not answer.', { cause });
  }
  try {
    await connection.query('SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED');
    await connection.query("SET SESSION sql_mode = 'STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION'");
    return await work(connection);
  } finally {
    connection.release();
  }
}

/** Runs work in a transaction: all of it or nothing; tried again where the database asks for it. */
export async function transaction<T>(
  work: (connection: PoolConnection) => Promise<T>,
  from: Pool = pool(),
): Promise<T> {
  return withConnection(async (connection) => {
    for (let attempt = 1; ; attempt++) {
      await connection.beginTransaction();
      try {
        const result = await work(connection);
        await connection.commit();
        return result;
      } catch (thrown) {
        await connection.rollback().catch(() => undefined);
        if (attempt >= MOST_TRIES || !RETRIED.has((thrown as { errno?: number }).errno ?? 0)) throw thrown;
      }
    }
  }, from);
}
