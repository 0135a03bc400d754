import { healthPool, withConnection } from '@/server/database/pool';
import { rowOf, sql } from '@/server/database/sql';
import { DatabaseFault } from '@/server/faults';
import { handler } from '@/server/http/problem';

export const dynamic = 'force-dynamic';

/** A database that says nothing for so long is away, ms. */
const PATIENCE_MS = 3000;

export const GET = handler(async () => {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const patience = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new DatabaseFault('The database does not answer.')), PATIENCE_MS);
  });
  const asked = withConnection((connection) => rowOf(connection, sql`SELECT 1 AS alive`), healthPool());
  // It may fail when nobody waits for it any more.
  asked.catch(() => undefined);
  try {
    await Promise.race([asked, patience]);
  } finally {
    clearTimeout(timer);
  }
  return Response.json({ state: 'well', process: process.pid });
});
