import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { revisionOf } from '@/server/http/revisions';
import { revisionsOf } from '@/server/queries/revision-marks';

export const dynamic = 'force-dynamic';

export const GET = handler<RecordContext>(async (request, { params }) => {
  const before = new URL(request.url).searchParams.get('before');
  const revisions = await revisionsOf((await params).id, before === null ? null : revisionOf(before));
  return Response.json({ revisions });
});
