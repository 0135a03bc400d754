import { etag } from '@/server/http/patch';
import { handler } from '@/server/http/problem';
import { recordRoutes, type RecordContext } from '@/server/http/records';
import {
  binScene,
  destroyBinnedScene,
  openSceneText,
  renameScene,
  restoreScene,
} from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

export const GET = handler<RecordContext>(async (_, { params }) => {
  const { text, revision } = await openSceneText((await params).id);
  return new Response(text, {
    headers: { 'content-type': 'application/json', etag: etag(revision), 'cache-control': 'no-store' },
  });
});

export const { PATCH, DELETE } = recordRoutes({
  rename: renameScene,
  bin: binScene,
  restore: restoreScene,
  destroyBinned: destroyBinnedScene,
});
