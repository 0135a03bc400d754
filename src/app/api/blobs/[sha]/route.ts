import { handler } from '@/server/http/problem';
import { blobOf } from '@/server/queries/blobs';

export const dynamic = 'force-dynamic';

export const GET = handler<{ params: Promise<{ sha: string }> }>(async (_, { params }) => {
  const { type, bytes } = await blobOf((await params).sha);
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': type, 'cache-control': 'public, max-age=31536000, immutable' },
  });
});
