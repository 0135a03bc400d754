import { jsonOf, nameOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { copyScene } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

export const POST = handler<RecordContext>(async (request, { params }) => {
  const id = await copyScene((await params).id, nameOf(await jsonOf(request)));
  return Response.json({ id }, { status: 201 });
});
