/** Where things stand: on their plane, or on the bracket of what carries them. Pure, by the scene and the second. */
import { bracketAt } from '../art/brackets';
import { frameAt, frameOf } from '../art/frames';
import { affineOf, applyTo, composed, determinant, inverse, moved, type Affine } from '../geometry/affine';
import { atan2, RADIANS_PER_DEGREE } from '../geometry/exact';
import { newArtwork } from '../scene/defaults';
import {
  settingsOf,
  type Artwork,
  type ArtworkFrame,
  type Fixture,
  type Hanging,
  type Lamp,
  type PlainArt,
  type Plane,
  type SceneDocument,
  type Sprite,
} from '../scene/document';

/** Things hang on things that hang on things, no deeper than this; a circle of them stands nowhere. */
const DEEPEST = 16;

/** How far a plane is pushed from its place in the scene, so that it stands right for the gate's place. */
export function parallaxShift(scene: SceneDocument, plane: Pick<Plane, 'parallax'>): [number, number] {
  const { gateX, gateY } = settingsOf(scene);
  return [gateX * (1 - plane.parallax), gateY * (1 - plane.parallax)];
}

const plainArtworks = new WeakMap<PlainArt, Artwork>();

/** What a sprite is a copy of: its artwork, or one without a picture where it is plain; null where that is missing. */
export function artOf(
  scene: SceneDocument,
  { artworkId, plain }: Pick<Sprite, 'artworkId' | 'plain'>,
): Artwork | null {
  if (artworkId !== null) return scene.artworks[artworkId] ?? null;
  if (plain === null) return null;
  let artwork = plainArtworks.get(plain);
  if (!artwork) {
    const { widthPx, heightPx } = plain;
    artwork = newArtwork({ name: '', imageSha: '', widthPx, heightPx, pixelArt: true });
    plainArtworks.set(plain, artwork);
  }
  return artwork;
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

/** The map to the scene from where a thing's place is counted: its plane, or the bracket that it hangs on. */
export function groundMap(
  scene: SceneDocument,
  { planeId, hangsOn }: { planeId: string; hangsOn: Hanging | null },
  seconds: number,
  depth = 0,
): Affine | null {
  if (hangsOn === null) {
    const plane = scene.planes[planeId];
    if (!plane) return null;
    const [e, f] = parallaxShift(scene, plane);
    return { a: 1, b: 0, c: 0, d: 1, e, f };
  }
  const carrier = scene.sprites[hangsOn.spriteId];
  const artwork = carrier && artOf(scene, carrier);
  const figure = artwork && depth < DEEPEST ? spriteAffine(scene, carrier, seconds, depth + 1) : null;
  if (!figure) return null;
  const bracket = artwork!.brackets.find(({ id }) => id === hangsOn.bracketId);
  if (!bracket) return figure;
  const { x, y, turnDeg } = bracketAt(bracket, frameNumber(carrier, artwork!, seconds));
  return composed(figure, affineOf({ ...UNTURNED, x, y, turnDeg }, 0, 0));
}

const UNTURNED = { x: 0, y: 0, turnDeg: 0, scaleX: 1, scaleY: 1, flipX: false, flipY: false };

/** A sprite's map from px of its figure to the scene; null where it stands nowhere. */
export function spriteAffine(
  scene: SceneDocument,
  sprite: Sprite,
  seconds: number,
  depth = 0,
): Affine | null {
  const artwork = artOf(scene, sprite);
  const ground = artwork && groundMap(scene, sprite, seconds, depth);
  if (!ground) return null;
  if (sprite.hangsOn === null) {
    return affineOf(
      { ...sprite, x: sprite.x + ground.e, y: sprite.y + ground.f },
      artwork.pivotX,
      artwork.pivotY,
    );
  }
  return composed(ground, affineOf(sprite, artwork.pivotX, artwork.pivotY));
}

/** The frame that a sprite shows, and the map from its px to the scene; null where the sprite stands nowhere. */
export function spriteShown(
  scene: SceneDocument,
  sprite: Sprite,
  seconds: number,
): { frame: ArtworkFrame; map: Affine } | null {
  const figure = spriteAffine(scene, sprite, seconds);
  if (!figure) return null;
  const artwork = artOf(scene, sprite)!;
  const frame = frameOf(artwork, frameNumber(sprite, artwork, seconds));
  return { frame, map: moved(figure, frame.shiftX, frame.shiftY) };
}

/** Where a light or a lamp is drawn. */
export function fixturePlace(
  scene: SceneDocument,
  fixture: Fixture,
  seconds: number,
): [number, number] | null {
  const ground = groundMap(scene, fixture, seconds);
  return ground && applyTo(ground, fixture.x, fixture.y);
}

/** What can hang on others. */
export const HANGERS = ['lights', 'lamps', 'sprites'] as const;
export type HangerCollection = (typeof HANGERS)[number];

/** How a thing stands. */
export interface Stance {
  x: number;
  y: number;
  turnDeg?: number;
  scaleX?: number;
  scaleY?: number;
  flipX?: boolean;
}

/**
 * How a thing would stand on its plane so as to be drawn as it is, whatever carries it; null where it is drawn nowhere. A
 * carrier that is scaled more one way than the other counts by the mean of both.
 */
export function stanceOnPlane(
  scene: SceneDocument,
  collection: HangerCollection,
  id: string,
  seconds: number,
): Stance | null {
  const thing = scene[collection][id];
  const plane = scene.planes[thing.planeId];
  const ground = groundMap(scene, thing, seconds);
  if (!plane || !ground) return null;
  const [x, y] = applyTo(ground, thing.x, thing.y);
  const [dx, dy] = parallaxShift(scene, plane);
  const place = { x: x - dx, y: y - dy };
  if (collection === 'lights') return place;
  const area = determinant(ground);
  const isMirrored = area < 0;
  // The map of a mirrored carrier begins with its flip, which the axis across goes through.
  const [cosine, sine] = isMirrored ? [-ground.a, -ground.b] : [ground.a, ground.b];
  const groundDeg = atan2(sine, cosine) / RADIANS_PER_DEGREE;
  const { turnDeg, flipX } = scene[collection][id];
  const turned = {
    turnDeg: isMirrored ? groundDeg - turnDeg : groundDeg + turnDeg,
    flipX: flipX !== isMirrored,
  };
  if (collection === 'lamps') return { ...place, ...turned };
  const { scaleX, scaleY } = scene.sprites[id];
  const scale = Math.sqrt(Math.abs(area));
  return { ...place, ...turned, scaleX: scaleX * scale, scaleY: scaleY * scale };
}

/** A shift of the scene as one of the ground that a thing stands on. */
export function shiftOnGround(
  scene: SceneDocument,
  thing: { planeId: string; hangsOn: Hanging | null },
  seconds: number,
  dx: number,
  dy: number,
): [number, number] {
  const ground = thing.hangsOn === null ? null : groundMap(scene, thing, seconds);
  const back = ground && inverse(ground);
  return back ? [back.a * dx + back.c * dy, back.b * dx + back.d * dy] : [dx, dy];
}

/** A lamp's map from places of its luminaire to the scene. */
export function lampAffine(scene: SceneDocument, lamp: Lamp, seconds: number): Affine | null {
  const ground = groundMap(scene, lamp, seconds);
  const { x, y, turnDeg, flipX } = lamp;
  return ground && composed(ground, affineOf({ ...UNTURNED, x, y, turnDeg, flipX }, 0, 0));
}

/** The sprites that carry a thing, the nearest first. */
export function carriersOf(scene: SceneDocument, hangsOn: Hanging | null): string[] {
  const ids: string[] = [];
  for (
    let at = hangsOn;
    at !== null && ids.length < DEEPEST;
    at = scene.sprites[at.spriteId]?.hangsOn ?? null
  ) {
    ids.push(at.spriteId);
  }
  return ids;
}

/** Whether a thing shows: neither it, its plane nor what carries it is hidden. */
export function isShown(
  scene: SceneDocument,
  { planeId, hidden, hangsOn }: { planeId: string; hidden: boolean; hangsOn: Hanging | null },
): boolean {
  if (hidden || (scene.planes[planeId]?.hidden ?? true)) return false;
  return hangsOn === null || carriersOf(scene, hangsOn).every((id) => scene.sprites[id]?.hidden === false);
}
