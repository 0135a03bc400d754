/** Whose occluders are: a sprite's own, its artwork's, or nobody's; and how they go from one to the other. */
import { shadeOf } from '@/core/scene/looks';
import { composed, inverse, type Affine } from '@/core/geometry/affine';
import { mappedPoints } from '@/core/geometry/outline';
import { outlinesAt } from '@/core/moment/occluder-edges';
import { artOf, frameNumber, groundMap, spriteAffine } from '@/core/moment/standing';
import type { SceneDocument } from '@/core/scene/document';
import type { ArtworkOccluder } from '@/core/scene/records/artwork';
import { newOccluder, type Occluder } from '@/core/scene/records/occluder';
import { change, create, remove, type Edit } from '@/core/scene/edits';
import { freshId, type Studio } from './studio';

function occludersOf(scene: SceneDocument, spriteId: string): [string, Occluder][] {
  return Object.entries(scene.occluders).filter(([, occluder]) => occluder.spriteId === spriteId);
}

/** Gives a sprite occluders of its own, as its artwork's are in the frame that shows. */
export function ownOccluders(studio: Studio, spriteId: string): void {
  const { scene } = studio;
  const sprite = scene.sprites[spriteId];
  const artwork = artOf(scene, sprite);
  if (!artwork) return;
  const frame = frameNumber(sprite, artwork, studio.live.getState().seconds);
  const made = artwork.occluders.map((occluder): Occluder => {
    const { outlines, smooth } = outlinesAt(artwork, occluder, frame);
    const { name, kind } = occluder;
    const { planeId } = sprite;
    return newOccluder({ ...shadeOf(occluder), name, planeId, spriteId, kind, outlines, smooth });
  });
  const edits: (Edit | null)[] = [
    change(scene, 'sprites', spriteId, { ownOccluders: true }),
    ...made.map((occluder) => create('occluders', freshId(), occluder)),
  ];
  studio.scenes.transact({ label: 'Outlines of its own', edits: edits.filter((edit) => edit !== null) });
}

/** A sprite's occluders are its artwork's again. */
export function followArtwork(studio: Studio, spriteId: string): void {
  const { scene } = studio;
  const edits = [
    change(scene, 'sprites', spriteId, { ownOccluders: false }),
    ...occludersOf(scene, spriteId).map(([id]) => remove(scene, 'occluders', id)),
  ];
  studio.scenes.transact({ label: 'Outlines as the artwork', edits: edits.filter((edit) => edit !== null) });
}

/**
 * Gives what a sprite has of its own to its artwork, for all its sprites. Of an artwork of several frames it becomes the
 * outline of the frame that shows; an occluder of the same name takes it up.
 */
export function keepWithArtwork(studio: Studio, spriteId: string): void {
  const { scene } = studio;
  const sprite = scene.sprites[spriteId];
  const own = occludersOf(scene, spriteId);
  const artwork = scene.artworks[sprite.artworkId ?? ''];
  if (!artwork || own.length === 0) return;
  const frame = frameNumber(sprite, artwork, studio.live.getState().seconds);
  const isSingle = artwork.frames.length === 0;
  const occluders = isSingle ? [] : [...artwork.occluders];
  for (const [, occluder] of own) {
    const { name, kind, outlines, smooth } = occluder;
    const at = occluders.findIndex((other) => other.name === name && other.kind === kind);
    const last: ArtworkOccluder = occluders[at] ?? {
      ...shadeOf(occluder),
      ...{ id: freshId(), name, kind },
      ...{ outlines: [], smooth: [], frames: [] },
    };
    const frames = [...last.frames.filter((one) => one.frame !== frame), { frame, outlines, smooth }];
    const next = { ...last, ...shadeOf(occluder), ...(isSingle ? { outlines, smooth } : { frames }) };
    if (at < 0) occluders.push(next);
    else occluders[at] = next;
  }
  const edits = [
    change(scene, 'artworks', sprite.artworkId!, { occluders }),
    change(scene, 'sprites', spriteId, { ownOccluders: false }),
    ...own.map(([id]) => remove(scene, 'occluders', id)),
  ];
  studio.scenes.transact({ label: 'Outlines for the artwork', edits: edits.filter((edit) => edit !== null) });
}

/** The map from an occluder's own px to the scene, for a sprite or for the plane. */
function mapFor(
  scene: SceneDocument,
  planeId: string,
  spriteId: string | null,
  seconds: number,
): Affine | null {
  if (spriteId === null) return groundMap(scene, { planeId, hangsOn: null }, seconds);
  const sprite = scene.sprites[spriteId];
  return sprite ? spriteAffine(scene, sprite, seconds) : null;
}

/** Fixes picked occluders to a sprite, with which they go from then on, or frees them; they stay where they are drawn. */
export function fixOccluders(studio: Studio, spriteId: string | null): void {
  const { scene } = studio;
  const { seconds } = studio.live.getState();
  const edits = studio.pickedOf('occluders').flatMap((id) => {
    const occluder = scene.occluders[id];
    const planeId = scene.sprites[spriteId ?? occluder.spriteId ?? '']?.planeId ?? occluder.planeId;
    const from = mapFor(scene, occluder.planeId, occluder.spriteId, seconds);
    const to = mapFor(scene, planeId, spriteId, seconds);
    const back = to && inverse(to);
    if (!from || !back) return [];
    const map = composed(back, from);
    const outlines = occluder.outlines.map((points) => mappedPoints(points, map));
    return change(scene, 'occluders', id, { spriteId, planeId, outlines }) ?? [];
  });
  studio.scenes.transact({ label: spriteId === null ? 'Free an occluder' : 'Fix to a sprite', edits });
}
