import { newScene } from '@/core/scene/defaults';
import { readScene } from '@/core/scene/schema';
import { jsonOf, nameOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { makeScene } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

/** A new scene, empty or with the document that is sent along. */
export const POST = handler<RecordContext>(async (request, { params }) => {
  const body = await jsonOf(request);
  const document = body.document === undefined ? newScene() : readScene(body.document);
  const id = await makeScene((await params).id, nameOf(body), { ...document, artworks: {}, reliefs: {} });
  return Response.json({ id }, { status: 201 });
});
