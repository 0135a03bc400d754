/** Whether a scene moves by itself: flames that burn, frames that are played. */
import type { SceneDocument } from '@/core/scene/document';

/** Asked at every frame of the screen; found anew only for another scene. */
export class Life {
  private last: { scene: SceneDocument; lives: boolean } | null = null;

  of(scene: SceneDocument): boolean {
    if (this.last?.scene !== scene) this.last = { scene, lives: burns(scene) || plays(scene) };
    return this.last.lives;
  }
}

function burns({ lights, wicks, lamps, luminaires }: SceneDocument): boolean {
  return (
    Object.values(lights).some(({ wickId }) => wickId !== null && wicks[wickId]) ||
    Object.values(lamps).some(
      ({ luminaireId, hidden }) =>
        !hidden && luminaires[luminaireId]?.lights.some(({ wick }) => wick !== null),
    )
  );
}

function plays({ sprites, artworks, lamps, luminaires }: SceneDocument): boolean {
  const moves = (artworkId: string | null) => (artworks[artworkId ?? '']?.frames.length ?? 0) > 1;
  const flames = Object.values(lamps).flatMap(({ luminaireId, hidden }) =>
    hidden ? [] : (luminaires[luminaireId]?.flames ?? []),
  );
  if (flames.some(({ playing, artworkId }) => playing && moves(artworkId))) return true;
  return Object.values(sprites).some(
    ({ playing, hidden, artworkId }) => playing && !hidden && moves(artworkId),
  );
}
