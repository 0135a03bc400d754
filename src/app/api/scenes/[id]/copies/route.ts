import { jsonOf, nameOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { revisionOf } from '@/server/http/revisions';
import { branchScene, copyScene } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

/** A copy of the scene as it is, or as it was at a revision. */
export const POST = handler<RecordContext>(async (request, { params }) => {
  const { id: from } = await params;
  const body = await jsonOf(request);
  const name = nameOf(body);
  const id =
    body.revision === undefined
      ? await copyScene(from, name)
      : await branchScene(from, revisionOf(String(body.revision)), name);
  return Response.json({ id }, { status: 201 });
});
