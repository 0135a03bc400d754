/**
 * Where everything stands at one second: on its plane, or on the bracket of what carries it; which frame it shows, and
 * whether it shows at all. The first stage of a Moment, which all others read; each record is worked out once.
 */
import { bracketAt } from '../art/brackets';
import { frameAt, frameOf } from '../art/frames';
import { affineOf, applyTo, composed, moved, type Affine } from '../geometry/affine';
import { type SceneDocument, settingsOf } from '../scene/document';
import { type Artwork, type ArtworkFrame, newArtwork } from '../scene/records/artwork';
import type { Lamp } from '../scene/records/lamp';
import type { Plane } from '../scene/records/plane';
import type { Hanging, Sprite } from '../scene/records/sprite';

/** Things hang on things that hang on things, no deeper than this; a circle of them stands nowhere. */
const DEEPEST = 16;

/** How far a plane is pushed from its place in the scene, so that it stands right for the gate's place. */
export function parallaxShift(scene: SceneDocument, plane: Pick<Plane, 'parallax'>): [number, number] {
  const { gateX, gateY } = settingsOf(scene);
  return [gateX * (1 - plane.parallax), gateY * (1 - plane.parallax)];
}

/** What a sprite is a copy of: its artwork, or one without a picture where it is plain; null where that is missing. */
export function artOf(
  scene: SceneDocument,
  { artworkId, plain }: Pick<Sprite, 'artworkId' | 'plain'>,
): Artwork | null {
  if (artworkId !== null) return scene.artworks[artworkId] ?? null;
  if (plain === null) return null;
  const { widthPx, heightPx } = plain;
  return newArtwork({ name: '', imageSha: '', widthPx, heightPx, pixelArt: true });
}

/** The number of the frame that a sprite shows. */
export function frameNumber(
  sprite: Pick<Sprite, 'frame' | 'playing'>,
  artwork: Artwork,
  seconds: number,
): number {
  if (artwork.frames.length < 2) return 0;
  return sprite.playing ? frameAt(artwork, seconds, sprite.frame) : sprite.frame % artwork.frames.length;
}

/** The sprites that carry a thing, the nearest first; a circle of them ends after DEEPEST and one more. */
export function carriersOf(scene: SceneDocument, hangsOn: Hanging | null): string[] {
  const ids: string[] = [];
  for (
    let at = hangsOn;
    at !== null && ids.length <= DEEPEST;
    at = scene.sprites[at.spriteId]?.hangsOn ?? null
  ) {
    ids.push(at.spriteId);
  }
  return ids;
}

/** Something that stands on a plane, or hangs. */
export interface Placed {
  planeId: string;
  hangsOn: Hanging | null;
}

/** How a sprite stands. */
export interface Stood {
  artwork: Artwork;
  frame: number;
  /** From px of its figure to the scene. */
  figure: Affine;
}

const NO_PLANES: ReadonlySet<string> = new Set();
const UNTURNED = { x: 0, y: 0, turnDeg: 0, scaleX: 1, scaleY: 1, flipX: false, flipY: false };

export class Standing {
  private readonly stood = new Map<Sprite, Stood | null>();
  private readonly shifts = new Map<string, Affine | null>();
  private resting: Standing | null = null;
  private readonly solo: ReadonlySet<string>;

  /** @param soloPlanes planes that alone are shown; those that the scene does not have count for nothing */
  constructor(
    readonly scene: SceneDocument,
    readonly seconds: number,
    soloPlanes: ReadonlySet<string> = NO_PLANES,
  ) {
    this.solo = [...soloPlanes].some((id) => scene.planes[id]) ? soloPlanes : NO_PLANES;
  }

  /** Where things stand that are held at second 0. */
  get atRest(): Standing {
    if (this.seconds === 0) return this;
    return (this.resting ??= new Standing(this.scene, 0, this.solo));
  }

  showsPlane(planeId: string): boolean {
    const plane = this.scene.planes[planeId];
    return plane !== undefined && !plane.hidden && (this.solo.size === 0 || this.solo.has(planeId));
  }

  /** Whether a thing shows: neither it, its plane nor what carries it is hidden. */
  shows({ planeId, hidden, hangsOn }: Placed & { hidden: boolean }): boolean {
    if (hidden || !this.showsPlane(planeId)) return false;
    if (hangsOn === null) return true;
    return carriersOf(this.scene, hangsOn).every((id) => this.scene.sprites[id]?.hidden === false);
  }

  /** The map to the scene from where a thing's place is counted: its plane, or the bracket that it hangs on. */
  ground({ planeId, hangsOn }: Placed): Affine | null {
    if (hangsOn === null) return this.planeMap(planeId);
    const { scene } = this;
    if (carriersOf(scene, hangsOn).length > DEEPEST) return null;
    const carrier = scene.sprites[hangsOn.spriteId];
    const stood = carrier ? this.sprite(carrier) : null;
    if (!stood) return null;
    const bracket = stood.artwork.brackets.find(({ id }) => id === hangsOn.bracketId);
    if (!bracket) return stood.figure;
    const { x, y, turnDeg } = bracketAt(bracket, stood.frame);
    return composed(stood.figure, affineOf({ ...UNTURNED, x, y, turnDeg }, 0, 0));
  }

  /** Null where a sprite stands nowhere. */
  sprite(sprite: Sprite): Stood | null {
    let stood = this.stood.get(sprite);
    if (stood === undefined) this.stood.set(sprite, (stood = this.worked(sprite)));
    return stood;
  }

  /** A lamp's map from places of its luminaire to the scene. */
  lamp(lamp: Lamp): Affine | null {
    const ground = this.ground(lamp);
    const { x, y, turnDeg, flipX } = lamp;
    return ground && composed(ground, affineOf({ ...UNTURNED, x, y, turnDeg, flipX }, 0, 0));
  }

  /** The map from px of a plane to the scene; null where there is no such plane. */
  planeMap(planeId: string): Affine | null {
    let map = this.shifts.get(planeId);
    if (map === undefined) {
      const plane = this.scene.planes[planeId];
      const [e, f] = plane ? parallaxShift(this.scene, plane) : [0, 0];
      map = plane ? { a: 1, b: 0, c: 0, d: 1, e, f } : null;
      this.shifts.set(planeId, map);
    }
    return map;
  }

  private worked(sprite: Sprite): Stood | null {
    const artwork = artOf(this.scene, sprite);
    const ground = artwork && this.ground(sprite);
    if (!ground) return null;
    const { pivotX, pivotY } = artwork;
    const figure =
      sprite.hangsOn === null
        ? affineOf({ ...sprite, x: sprite.x + ground.e, y: sprite.y + ground.f }, pivotX, pivotY)
        : composed(ground, affineOf(sprite, pivotX, pivotY));
    return { artwork, frame: frameNumber(sprite, artwork, this.seconds), figure };
  }
}

/** The frame that a sprite shows, and the map from its px to the scene. */
export function shownFrame({ artwork, frame, figure }: Stood): { frame: ArtworkFrame; map: Affine } {
  const shown = frameOf(artwork, frame);
  return { frame: shown, map: moved(figure, shown.shiftX, shown.shiftY) };
}

/** A sprite's map from px of its figure to the scene; null where it stands nowhere. */
export function spriteAffine(scene: SceneDocument, sprite: Sprite, seconds: number): Affine | null {
  return new Standing(scene, seconds).sprite(sprite)?.figure ?? null;
}

/** Where a light or a lamp is drawn. */
export function fixturePlace(
  scene: SceneDocument,
  fixture: Placed & { x: number; y: number },
  seconds: number,
): [number, number] | null {
  const ground = new Standing(scene, seconds).ground(fixture);
  return ground && applyTo(ground, fixture.x, fixture.y);
}

/** The map to the scene from where a thing's place is counted. */
export function groundMap(scene: SceneDocument, thing: Placed, seconds: number): Affine | null {
  return new Standing(scene, seconds).ground(thing);
}
