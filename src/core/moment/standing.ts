/**
 * Where everything stands at one second: on its plane, or on the bracket of what carries it; which frame it shows, and
 * whether it shows at all. The first stage of a Moment, which all others read; each record is worked out once.
 */
import { bracketAt } from '../art/brackets';
import { frameAt, frameOf } from '../art/frames';
import { affineOf, applyTo, composed, inverse, moved, type Affine } from '../geometry/affine';
import { type SceneDocument, settingsOf } from '../scene/document';
import { type Artwork, type ArtworkFrame, newArtwork } from '../scene/records/artwork';
import type { Lamp } from '../scene/records/lamp';
import type { Plane } from '../scene/records/plane';
import type { Hanging, Sprite } from '../scene/records/sprite';
import type { MotionPath, Turning } from '../scene/records/motion';
import { PathRuler, type PathPlace } from '../time/path-run';
import { TURNINGS } from '../time/turnings/all-turnings';
import type { TurningFields } from '../time/turnings/kind';

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

/** Something that may move by itself. */
export interface Moving extends Placed {
  x: number;
  y: number;
  turning: Turning | null;
  path: MotionPath | null;
  /** Of a light: which way it points. */
  bearingDeg?: number;
  turnDeg?: number;
}

/** How a sprite stands. */
export interface Stood {
  artwork: Artwork;
  frame: number;
  /** From px of its figure to the scene. */
  figure: Affine;
}

/** A mean over the last seconds is taken from so many places. */
const LAG_SAMPLES = 8;

function isMoving({ turning, path }: Pick<Moving, 'turning' | 'path'>): boolean {
  return turning !== null || path !== null;
}

const NO_PLANES: ReadonlySet<string> = new Set();
const UNTURNED = { x: 0, y: 0, turnDeg: 0, scaleX: 1, scaleY: 1, flipX: false, flipY: false };

export class Standing {
  private readonly stood = new Map<Sprite, Stood | null>();
  private readonly shifts = new Map<string, Affine | null>();
  private resting: Standing | null = null;
  private readonly before = new Map<number, Standing>();
  private readonly solo: ReadonlySet<string>;

  /** @param soloPlanes planes that alone are shown; those that the scene does not have count for nothing */
  constructor(
    readonly scene: SceneDocument,
    readonly seconds: number,
    soloPlanes: ReadonlySet<string> = NO_PLANES,
    private readonly ruler = new PathRuler(),
    /** Whether things look at others: where they look from does not, or two that look at each other would never end. */
    private readonly looks = true,
  ) {
    this.solo = [...soloPlanes].some((id) => scene.planes[id]) ? soloPlanes : NO_PLANES;
  }

  /** Where things stand that are held at second 0. */
  get atRest(): Standing {
    if (this.seconds === 0) return this;
    return (this.resting ??= new Standing(this.scene, 0, this.solo, this.ruler));
  }

  showsPlane(planeId: string): boolean {
    const plane = this.scene.planes[planeId];
    return plane !== undefined && !plane.hidden && (this.solo.size === 0 || this.solo.has(planeId));
  }

  /** Whether a thing shows: neither it, its plane nor what carries it is hidden. */
  shows(thing: Placed & { hidden: boolean; path: MotionPath | null }): boolean {
    const { planeId, hidden, hangsOn } = thing;
    if (hidden || !this.showsPlane(planeId) || this.presence(thing) === 0) return false;
    if (hangsOn === null) return true;
    return carriersOf(this.scene, hangsOn).every((id) => this.scene.sprites[id]?.hidden === false);
  }

  /** How much of a thing is there, 0 to 1: what appears and vanishes takes along what hangs on it. */
  presence({ path, hangsOn }: { path: MotionPath | null; hangsOn: Hanging | null }): number {
    if (path === null && hangsOn === null) return 1;
    let presence = path ? this.along(path).presence : 1;
    for (const id of carriersOf(this.scene, hangsOn)) {
      const carrier = this.scene.sprites[id]?.path;
      if (carrier) presence *= this.along(carrier).presence;
    }
    return presence;
  }

  /** The map to the scene from where a thing's place is counted, its own motion included. */
  ground(thing: Moving): Affine | null {
    const anchor = this.anchor(thing);
    return anchor && isMoving(thing) ? composed(anchor, this.motion(thing, anchor)) : anchor;
  }

  private along(path: MotionPath): PathPlace {
    return this.ruler.place(path, this.seconds);
  }

  /** The motion of a thing at its place, as a map of the ground that it stands on. */
  private motion(thing: Moving, anchor: Affine): Affine {
    const { path, turning, x, y } = thing;
    const along = path && this.along(path);
    const [dx, dy] = along ? [along.x, along.y] : [0, 0];
    const flipX = along !== null && path!.flips && along.goesLeft;
    const turnDeg = turning ? this.turned(thing, turning, anchor, x + dx, y + dy) : 0;
    return affineOf({ ...UNTURNED, x: x + dx, y: y + dy, turnDeg, flipX }, x, y);
  }

  private turned(thing: Moving, turning: Turning, anchor: Affine, x: number, y: number): number {
    const { bearingDeg, turnDeg } = thing;
    if (!this.looks && turning.kind === 'look') return 0;
    return TURNINGS[turning.kind].angle(turning, this.seconds, {
      axisDeg: bearingDeg ?? turnDeg ?? 0,
      target: (at) => this.wayTo(at, anchor, x, y),
    });
  }

  /** From a place of a ground to what is looked at, there. */
  private wayTo(
    { atSpriteId, atBracketId, lagSeconds }: TurningFields,
    anchor: Affine,
    x: number,
    y: number,
  ) {
    const back = inverse(anchor);
    if (atSpriteId === null || !back) return null;
    const samples = lagSeconds === 0 ? 1 : LAG_SAMPLES;
    let [sumX, sumY] = [0, 0];
    for (let k = 0; k < samples; k++) {
      const at = this.earlier(samples === 1 ? 0 : (lagSeconds * k) / (samples - 1)).placeOf(
        atSpriteId,
        atBracketId,
      );
      if (!at) return null;
      sumX += at[0];
      sumY += at[1];
    }
    const [tx, ty] = applyTo(back, sumX / samples, sumY / samples);
    return [tx - x, ty - y] as const;
  }

  /** Where things stood some seconds before, for those that look at them. */
  private earlier(bySeconds: number): Standing {
    let standing = this.before.get(bySeconds);
    if (!standing) {
      const at = Math.max(0, this.seconds - bySeconds);
      this.before.set(bySeconds, (standing = new Standing(this.scene, at, this.solo, this.ruler, false)));
    }
    return standing;
  }

  /** The pivot of a sprite's figure, or one of its brackets, in the scene. */
  placeOf(spriteId: string, bracketId: string | null): [number, number] | null {
    const sprite = this.scene.sprites[spriteId];
    const stood = sprite ? this.sprite(sprite) : null;
    if (!stood) return null;
    const { artwork, figure, frame } = stood;
    const bracket = artwork.brackets.find(({ id }) => id === bracketId);
    const { x, y } = bracket ? bracketAt(bracket, frame) : { x: artwork.pivotX, y: artwork.pivotY };
    return applyTo(figure, x, y);
  }

  /** The same for a thing at rest: its plane, or the bracket that it hangs on. */
  anchor({ planeId, hangsOn }: Placed): Affine | null {
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
      sprite.hangsOn === null && !isMoving(sprite)
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
  fixture: Moving,
  seconds: number,
): [number, number] | null {
  const ground = new Standing(scene, seconds).ground(fixture);
  return ground && applyTo(ground, fixture.x, fixture.y);
}

/** The map to the scene from where the place of a thing at rest is counted. */
export function groundMap(scene: SceneDocument, thing: Placed, seconds: number): Affine | null {
  return new Standing(scene, seconds).anchor(thing);
}
