/** Where the outlines of occluders are drawn. */
import { applyTo } from '@/core/geometry/affine';
import { groundMap, spriteAffine } from '@/core/moment/standing';
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
