import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { bytesOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { keepBundle } from '@/server/queries/bundles';

export const dynamic = 'force-dynamic';

/** Opens a bundle as a new scene of the project. */
export const POST = handler<RecordContext>(async (request, { params }) => {
  const name = new URL(request.url).searchParams.get('name')?.trim().slice(0, LIMITS.nameLength) ?? '';
  if (name === '') throw new InputFault('A name is missing.', 'name');
  const bytes = await bytesOf(request, 'application/zip', LIMITS.bundleBytes);
  return Response.json({ id: await keepBundle((await params).id, name, bytes) }, { status: 201 });
});
