/** What of a scene lives by itself: flames that burn, frames that are played, what turns or goes along a path. */
import { flamePartsOf, lightPartsOf } from './lamp-parts';
import { settingsOf, type SceneDocument } from './document';
import { DRIFTS } from '../weather/drift-fields';
import type { LightLook } from './records/light-look';
import type { Sprite } from './records/sprite';
import type { Wick } from './records/wick';

/** A light, or a light of a placed lamp, that burns by a wick. */
export interface Flicker {
  wick: Wick;
  /** What the wick takes the light's phase from. */
  phaseId: string;
}

/** Asked at every frame of the screen; found anew only for another scene. */
export class Life {
  private last: { scene: SceneDocument; lives: boolean } | null = null;

  of(scene: SceneDocument): boolean {
    if (this.last?.scene !== scene) this.last = { scene, lives: lives(scene) };
    return this.last.lives;
  }
}

/** Whether anything in a scene changes by itself from second to second. */
export function lives(scene: SceneDocument): boolean {
  return flickersOf(scene).length > 0 || movesBesideWicks(scene);
}

/** Whether anything but the wicks changes from second to second. */
export function movesBesideWicks(scene: SceneDocument): boolean {
  return windBlows(scene) || washesAreDrawn(scene) || plays(scene) || playsGobos(scene) || moves(scene);
}

/** The lights that burn by a wick, those of placed lamps too. */
export function flickersOf(scene: SceneDocument): Flicker[] {
  const out: Flicker[] = [];
  const add = (wick: Wick | null | undefined, { still }: LightLook, phaseId: string) => {
    if (wick && !still) out.push({ wick, phaseId });
  };
  for (const [id, light] of Object.entries(scene.lights))
    if (!light.hidden) add(scene.wicks[light.wickId ?? ''], light, id);
  for (const [id, lamp] of Object.entries(scene.lamps))
    if (!lamp.hidden) for (const part of lightPartsOf(scene, lamp)) add(part.wick, part, id);
  return out;
}

/** Whether a wind moves clouds or mist: at some hour at least. */
export function windBlows(scene: SceneDocument): boolean {
  const settings = settingsOf(scene);
  return DRIFTS.some((name) => {
    const strengths = [settings, ...Object.values(scene.cues)].map((one) => one[`${name}Strength`] ?? 0);
    return (
      strengths.some((strength) => strength > 0) &&
      (settings[`${name}WindX`] !== 0 || settings[`${name}WindY`] !== 0)
    );
  });
}

/** Whether chance picks one wash after the other. */
export function washesAreDrawn(scene: SceneDocument): boolean {
  const { washBy, washStrength } = settingsOf(scene);
  return washBy === 'seed' && washStrength > 0 && Object.keys(scene.washes).length > 1;
}

function playsGobos(scene: SceneDocument): boolean {
  return looksOf(scene).some(
    ({ still, gobo }) => !still && gobo !== null && gobo.playing && hasFrames(scene.artworks, gobo.artworkId),
  );
}

function looksOf(scene: SceneDocument): LightLook[] {
  return [
    ...Object.values(scene.lights).filter((light) => !light.hidden),
    ...Object.values(scene.lamps)
      .filter((lamp) => !lamp.hidden)
      .flatMap((lamp) => lightPartsOf(scene, lamp)),
  ];
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
  const isPlayed = ({ playing, artworkId }: { playing: boolean; artworkId: string | null }) =>
    playing && hasFrames(artworks, artworkId);
  return (
    Object.values(lamps).some((lamp) => !lamp.hidden && flamePartsOf(scene, lamp).some(isPlayed)) ||
    Object.values(sprites).some((sprite) => !sprite.hidden && isPlayed(sprite))
  );
}
