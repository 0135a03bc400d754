import { flattenedOutlines } from '../../geometry/smooth';
import { unreadableOutlines, type Outlined } from '../../moment/occluder-edges';
import { change } from '../../scene/edits';
import type { SceneDocument } from '../../scene/document';
import type { FoundSnag, SnagKind } from './kind';

/** An outline that cannot be read: it is left out of the picture, and the rest stands. */
export const unreadableOutline: SnagKind = {
  isFault: true,
  find(scene) {
    return [
      ...Object.entries(scene.occluders).flatMap(([id, occluder]) =>
        found(scene, 'occluders', id, `Occluder "${occluder.name}"`, occluder),
      ),
      ...Object.entries(scene.lights).flatMap(([id, light]) =>
        found(scene, 'lights', id, `Light "${light.name}"`, { ...light, kind: 'closed' }),
      ),
    ];
  },
};

function found(
  scene: SceneDocument,
  collection: 'occluders' | 'lights',
  id: string,
  what: string,
  outlined: Outlined,
): FoundSnag[] {
  const broken = unreadableOutlines(outlined);
  if (broken.length === 0) return [];
  const outlines = outlined.outlines.filter((_, i) => !broken.includes(i));
  const smooth = outlined.smooth.filter((_, i) => !broken.includes(i));
  const edit = change(scene, collection, id, { outlines, smooth });
  const numbers = broken.map((i) => i + 1).join(', ');
  const points = broken.map((i) => flattenedOutlines([outlined.outlines[i]], [[]], true)[0].length / 2);
  return [
    {
      records: [{ collection, id }],
      words: `${what}: outline ${numbers} (${points.join(', ')} points) cannot be read and is left out of the picture.`,
      mends: edit
        ? [{ words: broken.length === 1 ? 'Delete the outline' : 'Delete the outlines', edits: [edit] }]
        : [],
    },
  ];
}
