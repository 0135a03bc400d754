import { InputFault } from '@/core/faults';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { USED, usesOf } from '@/server/queries/uses';

export const dynamic = 'force-dynamic';

/** The scenes of the project that use an artwork or a luminaire, named by `?collection=artworks&id=`. */
export const GET = handler<RecordContext>(async (request, { params }) => {
  const { searchParams } = new URL(request.url);
  const collection = USED.find((name) => name === searchParams.get('collection'));
  if (!collection) throw new InputFault(`collection must be one of ${USED.join(', ')}.`, 'collection');
  const id = searchParams.get('id');
  if (!id) throw new InputFault('Name a record: id=ID.', 'id');
  return Response.json({ scenes: await usesOf((await params).id, collection, id) });
});
