import { InputFault } from '@/core/faults';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { usesOfArtwork } from '@/server/queries/uses';

export const dynamic = 'force-dynamic';

/** The scenes of the project that use an artwork, named by `?artwork=`. */
export const GET = handler<RecordContext>(async (request, { params }) => {
  const { id } = await params;
  const artworkId = new URL(request.url).searchParams.get('artwork');
  if (!artworkId) throw new InputFault('Name an artwork: ?artwork=ID.', 'artwork');
  return Response.json({ scenes: await usesOfArtwork(id, artworkId) });
});
