import { after } from 'next/server';
import { jsonOf } from '@/server/http/body';
import { etag, expectedRevision, patchOf } from '@/server/http/patch';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { patchScene } from '@/server/queries/patches';
import { forgetPieces, keepPiece, wholePatch } from '@/server/queries/patch-pieces';
import { keepSnapshotWhenDue } from '@/server/queries/revisions';

export const dynamic = 'force-dynamic';

/** Takes a patch, or a piece of one: with the last piece the whole is taken. */
export const POST = handler<RecordContext>(async (request, { params }) => {
  const { id } = await params;
  const revision = expectedRevision(request);
  const { patch, piece, changeNumber } = patchOf(await jsonOf(request));
  if (piece && piece.place < piece.of - 1) {
    await keepPiece(id, patch, piece.place);
    return Response.json({ piece: piece.place }, { status: 202 });
  }
  const whole = piece ? await wholePatch(id, patch, piece.of) : patch;
  const answer = await patchScene(id, { revision, changeNumber }, whole);
  if (piece) await forgetPieces(id, patch.transactionId);
  after(() => keepSnapshotWhenDue(id, answer.revision));
  return Response.json(answer, { headers: { etag: etag(answer.revision) } });
});
