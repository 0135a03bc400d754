/** Where in the project something is used that its scenes share. */
import { usesOf } from '@/core/scene/references';
import { api } from './server-api';
import type { Studio } from './studio';

type Shared = 'artworks' | 'luminaires';

/** How many things of this scene use it, and the names of the other scenes that do; none where the server is away: nobody knows then. */
export async function usersOf(
  studio: Studio,
  collection: Shared,
  id: string,
): Promise<{ here: number; scenes: string[] }> {
  const { projectId, id: ownId } = studio.info;
  const here = usesOf(studio.scene, collection, id).length;
  const { scenes } = await api.uses(projectId, collection, id).catch(() => ({ scenes: [] }));
  return { here, scenes: scenes.filter((scene) => scene.id !== ownId).map(({ name }) => name) };
}
