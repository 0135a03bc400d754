import { LIMITS } from '@/core/limits';
import { bytesOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import { keepBlob } from '@/server/queries/blobs';
import { readSent } from '@/server/reading/reader';

export const dynamic = 'force-dynamic';

/** Takes a PNG file and answers its hash. */
export const POST = handler(async (request) => {
  const bytes = await bytesOf(request, 'image/png', LIMITS.pictureBytes);
  const { width, height } = await readSent('picture', bytes);
  const sha256 = await keepBlob(bytes, 'image/png');
  return Response.json({ sha256, widthPx: width, heightPx: height }, { status: 201 });
});
