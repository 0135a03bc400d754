/** Outlines that artworks bring to their sprites, and the walls of tiles: drawn on the stage and snapped to, though they are no records of the scene. */
import type { FoundOccluders } from '@/core/moment/occluders';
import type { SceneDocument } from '@/core/scene/document';

/** Edges, [ax, ay, bx, by] one after another, scene px. */
export type Edges = ArrayLike<number>;

/** @param wants asked for each of them by the sprite that it belongs to; null is the walls of a plane */
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
