/** Deletes what the scenes of a project share, after asking where others of them use it. */
import { deleteEdits } from './delete-edits';
import { api } from './server-api';
import type { Studio } from './studio';

export type Shared = 'artworks' | 'luminaires';

const LABELS = { artworks: 'Delete an artwork', luminaires: 'Delete a luminaire' };

/** @returns whether it was deleted */
export async function deleteShared(studio: Studio, collection: Shared, id: string): Promise<boolean> {
  const { name } = studio.scene[collection][id];
  const scenes = await otherScenes(studio, collection, id);
  if (scenes.length > 0 && (await studio.ask('deletion', { name, scenes })) === 'keep') return false;
  // Somebody else may have deleted it meanwhile.
  if (!studio.scene[collection][id]) return false;
  studio.scenes.transact({ label: LABELS[collection], edits: deleteEdits(studio, [{ collection, id }]) });
  return true;
}

/** The names of the other scenes that use it; none where the server is away: nobody knows then. */
async function otherScenes(studio: Studio, collection: Shared, id: string): Promise<string[]> {
  const { projectId, id: ownId } = studio.info;
  const uses = await api.uses(projectId, collection, id).catch(() => ({ scenes: [] }));
  return uses.scenes.filter((scene) => scene.id !== ownId).map(({ name }) => name);
}
