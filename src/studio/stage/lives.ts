/** Whether a scene moves by itself: flames that burn, frames that are played. */
import { flamePartsOf, lightPartsOf } from '@/core/scene/lamp-parts';
import type { SceneDocument } from '@/core/scene/document';
import type { LightLook } from '@/core/scene/records/light-look';
import type { Sprite } from '@/core/scene/records/sprite';

/** Asked at every frame of the screen; found anew only for another scene. */
export class Life {
  private last: { scene: SceneDocument; lives: boolean } | null = null;

  of(scene: SceneDocument): boolean {
    if (this.last?.scene !== scene)
      this.last = { scene, lives: burns(scene) || plays(scene) || moves(scene) };
    return this.last.lives;
  }
}

function burns(scene: SceneDocument): boolean {
  const { lights, lamps, wicks, artworks } = scene;
  const lives = ({ still, gobo }: LightLook, wick: unknown) =>
    !still && (Boolean(wick) || (gobo !== null && gobo.playing && hasFrames(artworks, gobo.artworkId)));
  return (
    Object.values(lights).some(
      (light) => !light.hidden && lives(light, light.wickId !== null && wicks[light.wickId]),
    ) ||
    Object.values(lamps).some(
      (lamp) => !lamp.hidden && lightPartsOf(scene, lamp).some((part) => lives(part, part.wick)),
    )
  );
}

function moves({ sprites, lights, lamps }: SceneDocument): boolean {
  return [sprites, lights, lamps].some((things) =>
    Object.values<Pick<Sprite, 'hidden' | 'turning' | 'path'>>(things).some(
      ({ hidden, turning, path }) => !hidden && (turning !== null || path !== null),
    ),
  );
}

function hasFrames(artworks: SceneDocument['artworks'], artworkId: string | null): boolean {
  return (artworks[artworkId ?? '']?.frames.length ?? 0) > 1;
}

function plays(scene: SceneDocument): boolean {
  const { sprites, artworks, lamps } = scene;
  const moves = ({ playing, artworkId }: { playing: boolean; artworkId: string | null }) =>
    playing && hasFrames(artworks, artworkId);
  return (
    Object.values(lamps).some((lamp) => !lamp.hidden && flamePartsOf(scene, lamp).some(moves)) ||
    Object.values(sprites).some((sprite) => !sprite.hidden && moves(sprite))
  );
}
