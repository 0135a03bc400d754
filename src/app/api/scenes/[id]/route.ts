import { etag } from '@/server/http/patch';
import { handler } from '@/server/http/problem';
import { recordRoutes, type RecordContext } from '@/server/http/records';
import { binScene, destroyBinnedScene, openScene, renameScene, restoreScene } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

export const GET = handler<RecordContext>(async (_, { params }) => {
  const scene = await openScene((await params).id);
  return Response.json(scene, { headers: { etag: etag(scene.revision), 'cache-control': 'no-store' } });
});

export const { PATCH, DELETE } = recordRoutes({
  rename: renameScene,
  bin: binScene,
  restore: restoreScene,
  destroyBinned: destroyBinnedScene,
});
