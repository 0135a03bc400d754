import { recordRoutes } from '@/server/http/records';
import { binProject, destroyBinnedProject, renameProject, restoreProject } from '@/server/queries/projects';

export const dynamic = 'force-dynamic';

export const { PATCH, DELETE } = recordRoutes({
  rename: renameProject,
  bin: binProject,
  restore: restoreProject,
  destroyBinned: destroyBinnedProject,
});
