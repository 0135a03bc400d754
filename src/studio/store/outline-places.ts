/** Where the outlines of occluders are drawn. */
import { applyTo } from '@/core/geometry/affine';
import { groundMap, spriteAffine } from '@/core/moment/standing';
import type { FoundOccluders } from '@/core/moment/occluders';
import type { SceneDocument } from '@/core/scene/document';
import type { Occluder } from '@/core/scene/records/occluder';

/** The map from an occluder's own px to where it is drawn. */
export function occluderMap(scene: SceneDocument, { planeId, spriteId }: Occluder, seconds: number) {
  if (spriteId === null) return groundMap(scene, { planeId, hangsOn: null }, seconds);
  const sprite = scene.sprites[spriteId];
  return sprite ? spriteAffine(scene, sprite, seconds) : null;
}

/** Outlines of an occluder as they are drawn. */
export function drawnOutlines(
  scene: SceneDocument,
  occluder: Occluder,
  seconds: number,
): [number, number][][] {
  const map = occluderMap(scene, occluder, seconds);
  if (!map) return [];
  return occluder.outlines.map((points) =>
    Array.from({ length: points.length / 2 }, (_, i) => applyTo(map, points[2 * i], points[2 * i + 1])),
  );
}

/** Edges, [ax, ay, bx, by] one after another, scene px. */
export type Edges = ArrayLike<number>;

/**
 * The edges of outlines that artworks bring to their sprites, and of the walls of tiles: they are no records of the scene.
 * @param wants asked for each of them by the sprite that it belongs to; null is the walls of a plane
 */
export function broughtEdges(
  { occluders, sources }: FoundOccluders,
  scene: SceneDocument,
  wants: (spriteId: string | null) => boolean,
): Edges[] {
  return occluders.flatMap(({ pieces }, i) => {
    const { id, spriteId } = sources[i];
    return id in scene.occluders || !wants(spriteId) ? [] : pieces.map(({ edges }) => edges);
  });
}
