/** Connections to the database, shared by the process; queries and transactions as scoped functions. */
import { createPool, type Pool, type PoolConnection } from 'mysql2/promise';
import { DatabaseFault } from '../faults';

export const CONNECTIONS = 8;
/** Deadlock, lock wait timeout, record changed since last read: tried again, the server asks for it. */
const RETRIED = new Set([1213, 1205, 1020]);
const MOST_TRIES = 5;
/** Who waited for a lock as long as may be does so once more, and then lets others have the connection. */
const WAITED_TOO_LONG = 1205;
const MOST_WAITS = 2;
/** A transaction that waits longer than this for another one gives up and is tried again, s. */
const LOCK_SECONDS = 4;

const SESSION = [
  'TRANSACTION ISOLATION LEVEL READ COMMITTED',
  "sql_mode = 'STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION'",
  `innodb_lock_wait_timeout = ${LOCK_SECONDS}`,
  `lock_wait_timeout = ${LOCK_SECONDS}`,
];

export function openPool(url: string, connections = CONNECTIONS): Pool {
  const made = createPool({
    uri: url,
    connectionLimit: connections,
    charset: 'utf8mb4',
    timezone: 'Z',
    supportBigNumbers: true,
    dateStrings: true,
    enableKeepAlive: true,
  });
  // Sent before anything else on each connection.
  made.pool.on('connection', (connection) => {
    for (const setting of SESSION) connection.query(`SET SESSION ${setting}`);
  });
  return made;
}

/** Kept on the global object, so that every bundle of the server shares its pools. */
const shared = globalThis as typeof globalThis & { oilwickPool?: Pool; oilwickHealthPool?: Pool };

export function pool(): Pool {
  return (shared.oilwickPool ??= openPool(databaseUrl()));
}

/** A connection of its own for the question whether all is well: it is answered however busy the others are. */
export function healthPool(): Pool {
  return (shared.oilwickHealthPool ??= openPool(databaseUrl(), 1));
}

function databaseUrl(): string {
  const url = process.env.OILWICK_DATABASE_URL;
  if (!url) throw new DatabaseFault('OILWICK_DATABASE_URL is not set; the start command sets it.');
  return url;
}

/** Why there is no connection, in words. */
function whyAway(cause: unknown): string {
  const { code } = cause as { code?: string };
  if (code === 'ER_ACCESS_DENIED_ERROR') return 'The database refuses its user or password.';
  if (code === 'ER_BAD_DB_ERROR') return 'The database server does not have the database that was named.';
  return 'The database does not answer.';
}

/** Runs work on a connection of its own. */
export async function withConnection<T>(
  work: (connection: PoolConnection) => Promise<T>,
  from: Pool = pool(),
): Promise<T> {
  let connection: PoolConnection;
  try {
    connection = await from.getConnection();
  } catch (cause) {
    throw new DatabaseFault(whyAway(cause), { cause });
  }
  try {
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
        const { errno = 0 } = thrown as { errno?: number };
        if (errno === WAITED_TOO_LONG && attempt >= MOST_WAITS)
          throw new DatabaseFault('The database is busy; it is tried again.', { cause: thrown });
        if (attempt >= MOST_TRIES || !RETRIED.has(errno)) throw thrown;
      }
    }
  }, from);
}

/** Runs work that only reads, and sees the database as it was at one point in time. */
export async function snapshot<T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  return withConnection(async (connection) => {
    await connection.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    try {
      return await work(connection);
    } finally {
      await connection.rollback().catch(() => undefined);
    }
  });
}
