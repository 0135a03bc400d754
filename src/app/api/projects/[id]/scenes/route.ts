import { newScene } from '@/core/scene/new-scene';
import { readScene } from '@/core/scene/read-scene';
import { jsonOf, nameOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { keepDocument } from '@/server/queries/bundles';
import { makeScene } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

/** A new scene, empty or with the document that is sent along. */
export const POST = handler<RecordContext>(async (request, { params }) => {
  const body = await jsonOf(request);
  const { id: projectId } = await params;
  const name = nameOf(body);
  const id =
    body.document === undefined
      ? await makeScene(projectId, name, newScene())
      : await keepDocument(projectId, name, readScene(body.document));
  return Response.json({ id }, { status: 201 });
});
