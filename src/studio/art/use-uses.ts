import { useEffect, useState } from 'react';
import { useStudio } from '../context';
import { api, type SceneUse } from '../store/server-api';

/** The other scenes of the project that use an artwork; none while nobody knows. */
export function useUses(artworkId: string): SceneUse[] {
  const studio = useStudio();
  const [found, setFound] = useState<{ artworkId: string; scenes: SceneUse[] } | null>(null);
  useEffect(() => {
    let isGone = false;
    api.uses(studio.info.projectId, 'artworks', artworkId).then(
      ({ scenes }) => {
        if (!isGone) setFound({ artworkId, scenes: scenes.filter(({ id }) => id !== studio.info.id) });
      },
      // Away from the server only this scene is known, and that is shown.
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [studio, artworkId]);
  return found?.artworkId === artworkId ? found.scenes : [];
}
