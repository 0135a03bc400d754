import { jsonOf, nameOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import { revisionOf, type RevisionContext } from '@/server/http/revisions';
import { nameRevision } from '@/server/queries/revision-marks';
import { documentAt } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

export const GET = handler<RevisionContext>(async (_, { params }) => {
  const { id, revision } = await params;
  return Response.json({ document: await documentAt(id, revisionOf(revision)) });
});

/** A name, or null to take it away. */
export const PATCH = handler<RevisionContext>(async (request, { params }) => {
  const { id, revision } = await params;
  const body = await jsonOf(request);
  await nameRevision(id, revisionOf(revision), body.name === null ? null : nameOf(body));
  return Response.json({ id, revision: revisionOf(revision) });
});
