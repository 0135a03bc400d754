import { change, remove } from '../../scene/edits';
import type { SceneDocument } from '../../scene/document';
import type { Occluder } from '../../scene/records/occluder';
import type { FoundSnag, SnagKind } from './kind';

/** An occluder without points, or of a sprite that shows nothing. */
export const emptyOccluder: SnagKind = {
  isFault: false,
  find({ scene }) {
    return Object.entries(scene.occluders).flatMap(([id, occluder]) => {
      const why = occluder.hidden ? null : whyEmpty(scene, occluder);
      if (!why) return [];
      const { words, mends } = why;
      return [
        {
          records: [{ collection: 'occluders' as const, id }],
          words: `“${occluder.name}” ${words}`,
          mends: [...mends, { words: 'Delete it', edits: [remove(scene, 'occluders', id)] }],
        },
      ];
    });
  },
};

function whyEmpty(
  scene: SceneDocument,
  { kind, outlines, spriteId }: Occluder,
): Omit<FoundSnag, 'records'> | null {
  const fewest = kind === 'closed' ? 3 : 2;
  if (!outlines.some((points) => points.length / 2 >= fewest))
    return { words: 'has no points, and stops no light.', mends: [] };
  const sprite = spriteId === null ? undefined : scene.sprites[spriteId];
  if (!sprite) return null;
  if (sprite.hidden) {
    const edit = change(scene, 'sprites', spriteId!, { hidden: false });
    return {
      words: `belongs to “${sprite.name}”, which is hidden: it stops no light.`,
      mends: edit ? [{ words: 'Show the sprite', edits: [edit] }] : [],
    };
  }
  return sprite.artworkId !== null && !scene.artworks[sprite.artworkId]
    ? { words: `belongs to “${sprite.name}”, which has no picture.`, mends: [] }
    : null;
}
