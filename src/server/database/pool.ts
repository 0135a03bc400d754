/** Connections to the database, shared by the process; queries and transactions as scoped functions. */
import type { PoolConnection } from 'mysql2/promise';
import { DatabaseFault, NoRoomFault } from '../faults';
import { DatabaseNodes } from './nodes';
import { expectRoom, saysFull } from './room';
import { batch, sql, type Query } from './sql';

/** Deadlock, lock wait timeout, record changed since last read: tried again, the server asks for it. */
const RETRIED = new Set([1213, 1205, 1020]);
const MOST_TRIES = 5;
/** Who waited for a lock as long as may be does so once more, and then lets others have the connection. */
const WAITED_TOO_LONG = 1205;
const MOST_WAITS = 2;
/** A node of a cluster that is not, or not any more, one of it. */
const NOT_IN_CLUSTER = 1047;

/** Kept on the global object, so that every bundle of the server shares its pools. */
const shared = globalThis as typeof globalThis & {
  oilwickPool?: DatabaseNodes;
  oilwickHealthPool?: DatabaseNodes;
};

export function pool(): DatabaseNodes {
  return (shared.oilwickPool ??= new DatabaseNodes(databaseUrl()));
}

/** A connection of its own for the question whether all is well: it is answered however busy the others are. */
export function healthPool(): DatabaseNodes {
  return (shared.oilwickHealthPool ??= new DatabaseNodes(databaseUrl(), 1));
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
  return `The database does not answer${code === undefined ? '' : ` (${code})`}.`;
}

/** Runs work on a connection of its own. */
export async function withConnection<T>(
  work: (connection: PoolConnection) => Promise<T>,
  from: DatabaseNodes = pool(),
): Promise<T> {
  let taken: Awaited<ReturnType<DatabaseNodes['take']>>;
  try {
    taken = await from.take();
  } catch (cause) {
    // A full disk ends the database.
    await expectRoom();
    throw new DatabaseFault(whyAway(cause), { cause });
  }
  const { connection, node } = taken;
  try {
    return await work(connection);
  } catch (thrown) {
    if (saysFull(thrown)) throw new NoRoomFault('The disk of the database is full.', { cause: thrown });
    if ((thrown as { errno?: number }).errno !== NOT_IN_CLUSTER) throw thrown;
    connection.destroy();
    from.leave(node);
    throw new DatabaseFault('A node of the database has left its cluster; another one is asked.', {
      cause: thrown,
    });
  } finally {
    connection.release();
  }
}

/**
 * Runs work in a transaction: all of it or nothing; tried again where the database asks for it.
 * @throws NoRoomFault where the disk has no room for what is written
 */
export async function transaction<T>(
  work: (connection: PoolConnection) => Promise<T>,
  from: DatabaseNodes = pool(),
): Promise<T> {
  return retried(async (connection) => {
    await connection.beginTransaction();
    const result = await work(connection);
    await connection.commit();
    return result;
  }, from);
}

/** What a transaction comes to, and what it writes in the end. */
export interface Written<T> {
  result: T;
  writes: readonly Query[];
}

/**
 * The same, for one that knows what it reads before it begins: it goes to the database twice, to read and to write.
 * @param work gets the rows of each read
 */
export async function readThenWrite<T>(
  reads: readonly Query[],
  work: (rows: unknown[][], connection: PoolConnection) => Promise<Written<T>>,
): Promise<T> {
  return retried(async (connection) => {
    const [, ...rows] = await batch(connection, [sql`START TRANSACTION`, ...reads]);
    const { result, writes } = await work(rows, connection);
    await batch(connection, [...writes, sql`COMMIT`]);
    return result;
  }, pool());
}

async function retried<T>(
  attempt: (connection: PoolConnection) => Promise<T>,
  from: DatabaseNodes,
): Promise<T> {
  await expectRoom();
  return withConnection(async (connection) => {
    for (let tries = 1; ; tries++) {
      try {
        return await attempt(connection);
      } catch (thrown) {
        await connection.rollback().catch(() => undefined);
        const { errno = 0 } = thrown as { errno?: number };
        if (!RETRIED.has(errno)) throw thrown;
        if (tries >= (errno === WAITED_TOO_LONG ? MOST_WAITS : MOST_TRIES))
          throw new DatabaseFault('The database is busy; it is tried again.', { cause: thrown });
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
