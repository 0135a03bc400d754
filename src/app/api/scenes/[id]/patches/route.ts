import { jsonOf } from '@/server/http/body';
import { etag, expectedRevision, patchOf } from '@/server/http/patch';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { patchScene } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

export const POST = handler<RecordContext>(async (request, { params }) => {
  const revision = await patchScene(
    (await params).id,
    expectedRevision(request),
    patchOf(await jsonOf(request)),
  );
  return Response.json({ revision }, { headers: { etag: etag(revision) } });
});
