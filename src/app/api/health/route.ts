import { healthPool, withConnection } from '@/server/database/pool';
import { rowOf, sql } from '@/server/database/sql';
import { handler } from '@/server/http/problem';

export const dynamic = 'force-dynamic';

export const GET = handler(async () => {
  await withConnection((connection) => rowOf(connection, sql`SELECT 1 AS alive`), healthPool());
  return Response.json({ state: 'well', process: process.pid });
});
