/** What planes show: runs of sprites that are lit as one. What did not change since the last Moment is not made anew. */
import { rectOf, frameOf } from '../art/frames';
import { affineOf, composed, inverse, mappedBox, moved, normalMatrix, type Affine } from '../geometry/affine';
import { hexInLightSpace, type LightSpace } from '../raster/colour';
import {
  settingsOf,
  type Answer,
  type Artwork,
  type ArtworkFrame,
  type FlamePart,
  type Lamp,
  type Plane,
  type SceneDocument,
  type Sprite,
} from '../scene/document';
import { SEEN_GAIN } from '../scene/defaults';
import { circuitMask } from './circuits';
import { RowMemory, type Drawn } from './draw-order';
import { flamePartsOf } from './lamps';
import { PLAIN_PICTURE, type MomentLayer, type MomentSprite } from './moment';
import type { Passing } from './passing';
import { artOf, frameNumber, isShown, lampAffine, spriteAffine } from './standing';
import { tileSprites } from './tile-sprites';

export interface Resolving {
  scene: SceneDocument;
  seconds: number;
  space: LightSpace;
  pictureIndex: ReadonlyMap<string, number>;
  passing: Passing;
}

const rowLayers = new RowMemory<MomentLayer[]>();

/**
 * A plane whose things stand still gives the same layers from Moment to Moment, until it or what it is made of changes.
 * @param things what stands on the plane, in drawing order
 */
export function layersOf(
  resolving: Resolving,
  planeId: string,
  plane: Plane,
  things: readonly Drawn[],
): MomentLayer[] {
  const { scene, space, pictureIndex, passing } = resolving;
  const { gateX, gateY } = settingsOf(scene);
  const { artworks, reliefs, circuits } = scene;
  const chunks = plane.tiles ? scene.chunks : null;
  const of = [plane, gateX, gateY, artworks, reliefs, circuits, chunks, space, pictureIndex, passing.relief];
  return rowLayers.recall(things, artworks, of, () => madeLayers(resolving, planeId, plane, things));
}

function madeLayers(
  resolving: Resolving,
  planeId: string,
  plane: Plane,
  things: readonly Drawn[],
): MomentLayer[] {
  const { scene } = resolving;
  const layers: MomentLayer[] = [];
  const listensOnPlane = circuitMask(scene, plane.circuitIds);
  const put = (sprite: MomentSprite, light: Omit<MomentLayer, 'sprites'>) => {
    const last = layers.at(-1);
    // What shows only in light shows by its own light alone.
    const joins =
      last &&
      light.seenGain === null &&
      last.seenGain === null &&
      last.takesShadows === light.takesShadows &&
      last.takesCasts === light.takesCasts &&
      last.listens === light.listens;
    if (joins) last.sprites.push(sprite);
    else layers.push({ ...light, sprites: [sprite] });
  };
  const asPlane = { takesShadows: true, takesCasts: true, listens: listensOnPlane, seenGain: null };
  const gainOf = (answer: Answer, gain: number) => (answer === 'seen-when-lit' ? gain : null);
  for (const tiles of tileSprites(resolving, planeId, plane))
    put(tiles, { ...asPlane, seenGain: gainOf(plane.answer, SEEN_GAIN) });
  for (const thing of things) {
    if (!isShown(scene, thing.record)) continue;
    if (thing.kind === 'sprite') {
      const { record } = thing;
      const sprite = spriteOf(resolving, plane, record);
      if (!sprite) continue;
      put(sprite, {
        takesShadows: record.takesShadows,
        takesCasts: !record.castsShape,
        listens: record.circuitIds ? circuitMask(scene, record.circuitIds) : listensOnPlane,
        seenGain: gainOf(record.answer ?? plane.answer, record.seenGain),
      });
    } else {
      for (const { answer, sprite } of flamesOf(resolving, thing.record))
        put(sprite, { ...asPlane, seenGain: gainOf(answer, SEEN_GAIN) });
    }
  }
  return layers;
}

/** A sprite as it was resolved, and all that it was resolved from. */
interface Resolved {
  artwork: Artwork;
  plane: Plane;
  frame: number;
  gateX: number;
  gateY: number;
  picture: number;
  space: LightSpace;
  hasRelief: boolean;
  sprite: MomentSprite | null;
}

const resolvedSprites = new WeakMap<Sprite, Resolved>();

function spriteOf(resolving: Resolving, plane: Plane, record: Sprite): MomentSprite | null {
  const { scene, seconds, space, passing, pictureIndex } = resolving;
  const artwork = artOf(scene, record);
  if (!artwork || record.opacity <= 0) return null;
  const { gateX, gateY } = settingsOf(scene);
  const frame = frameNumber(record, artwork, seconds);
  const picture = record.artworkId === null ? PLAIN_PICTURE : pictureIndex.get(record.artworkId)!;
  const hasRelief =
    passing.relief && record.artworkId !== null && scene.reliefs[record.artworkId] !== undefined;
  const known = record.hangsOn === null ? resolvedSprites.get(record) : undefined;
  if (
    known &&
    known.artwork === artwork &&
    known.plane === plane &&
    known.frame === frame &&
    known.gateX === gateX &&
    known.gateY === gateY &&
    known.picture === picture &&
    known.space === space &&
    known.hasRelief === hasRelief
  )
    return known.sprite;
  const figure = spriteAffine(scene, record, seconds);
  const sprite =
    figure &&
    shownSprite(figure, frameOf(artwork, frame), {
      picture,
      hasRelief,
      opacity: record.opacity,
      selfLit: (record.answer ?? plane.answer) === 'self-lit',
      glowLevel: record.glowLevel,
      colour: record.plain && hexInLightSpace(record.plain.colour, space),
    });
  if (record.hangsOn === null)
    resolvedSprites.set(record, { artwork, plane, frame, gateX, gateY, picture, space, hasRelief, sprite });
  return sprite;
}

function shownSprite(
  figure: Affine,
  frame: ArtworkFrame,
  look: Pick<MomentSprite, 'picture' | 'opacity' | 'selfLit' | 'glowLevel' | 'colour'> & {
    hasRelief: boolean;
  },
): MomentSprite | null {
  const forward = moved(figure, frame.shiftX, frame.shiftY);
  const back = inverse(forward);
  if (!back) return null;
  const { hasRelief, ...rest } = look;
  return {
    ...rest,
    frame: rectOf(frame),
    forward,
    inverse: back,
    box: mappedBox(forward, frame.widthPx, frame.heightPx),
    normal: hasRelief ? normalMatrix(forward) : null,
    grid: null,
  };
}

function flamesOf(
  { scene, seconds, pictureIndex, passing }: Resolving,
  lamp: Lamp,
): { answer: Answer; sprite: MomentSprite }[] {
  const map = lampAffine(scene, lamp, seconds);
  if (!map) return [];
  return flamePartsOf(scene, lamp).flatMap((flame) => {
    const artwork = scene.artworks[flame.artworkId];
    if (!artwork || flame.opacity <= 0) return [];
    const figure = composed(map, affineOf({ ...flame, flipY: false }, artwork.pivotX, artwork.pivotY));
    const sprite = shownSprite(figure, frameOfFlame(artwork, flame, seconds), {
      picture: pictureIndex.get(flame.artworkId)!,
      hasRelief: passing.relief && scene.reliefs[flame.artworkId] !== undefined,
      opacity: flame.opacity,
      selfLit: flame.answer === 'self-lit',
      glowLevel: flame.glowLevel,
      colour: null,
    });
    return sprite ? [{ answer: flame.answer, sprite }] : [];
  });
}

function frameOfFlame(artwork: Artwork, flame: FlamePart, seconds: number): ArtworkFrame {
  return frameOf(artwork, frameNumber(flame, artwork, seconds));
}
