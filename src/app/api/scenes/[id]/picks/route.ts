import { jsonOf } from '@/server/http/body';
import { picksOf } from '@/server/http/picks';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { keepPicks } from '@/server/queries/picks';

export const dynamic = 'force-dynamic';

/** What a person has picked, for the others who have the scene open. */
export const PUT = handler<RecordContext>(async (request, { params }) => {
  const { personId, picked } = picksOf(await jsonOf(request));
  await keepPicks((await params).id, personId, picked);
  return Response.json({ kept: picked.length });
});
