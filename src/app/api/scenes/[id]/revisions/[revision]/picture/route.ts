import { handler } from '@/server/http/problem';
import { revisionOf, type RevisionContext } from '@/server/http/revisions';
import { revisionPicture } from '@/server/queries/revision-marks';

export const dynamic = 'force-dynamic';

export const GET = handler<RevisionContext>(async (_, { params }) => {
  const { id, revision } = await params;
  const bytes = await revisionPicture(id, revisionOf(revision));
  // The newest one may be taken again.
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': 'image/png', 'cache-control': 'private, max-age=60' },
  });
});
