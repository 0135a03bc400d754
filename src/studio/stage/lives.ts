/** Whether a scene moves by itself: flames that burn, frames that are played. */
import { framesIn } from '@/core/art/frames';
import type { SceneDocument } from '@/core/scene/document';

let last: { scene: SceneDocument; lives: boolean } | null = null;

/** Asked at every frame of the screen; found anew only for another scene. */
export function livesOf(scene: SceneDocument): boolean {
  if (last?.scene !== scene) last = { scene, lives: burns(scene) || plays(scene) };
  return last.lives;
}

function burns({ lights, wicks }: SceneDocument): boolean {
  return Object.values(lights).some(({ wickId }) => wickId !== null && wicks[wickId]);
}

function plays({ sprites, artworks }: SceneDocument): boolean {
  return Object.values(sprites).some(({ playing, hidden, artworkId }) => {
    const artwork = artworks[artworkId ?? ''];
    return playing && !hidden && artwork !== undefined && framesIn(artwork).length > 1;
  });
}
