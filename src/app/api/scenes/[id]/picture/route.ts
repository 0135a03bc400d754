import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { bytesOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { keepScenePicture, scenePicture } from '@/server/queries/scene-pictures';
import { readSent } from '@/server/reading/reader';

export const dynamic = 'force-dynamic';

export const GET = handler<RecordContext>(async (_, { params }) => {
  const bytes = await scenePicture((await params).id);
  // The address names the revision that is shown, so it may be kept.
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': 'image/png', 'cache-control': 'private, max-age=31536000' },
  });
});

export const PUT = handler<RecordContext>(async (request, { params }) => {
  const bytes = await bytesOf(request, 'image/png', LIMITS.scenePictureBytes);
  const { width, height } = await readSent('picture', bytes);
  const side = LIMITS.scenePictureSidePx;
  if (width > side || height > side)
    throw new InputFault(`The picture of a scene has at most ${side} px a side; got ${width} x ${height}.`);
  await keepScenePicture((await params).id, bytes);
  return Response.json({ kept: true });
});
