/** What moving what is picked changes. */
import { inverse } from '@/core/geometry/affine';
import { shiftOnGround } from '@/core/moment/stances';
import { carriersOf } from '@/core/moment/standing';
import type { SceneDocument } from '@/core/scene/document';
import { change, type Edit } from '@/core/scene/edits';
import { occluderMap } from './outline-places';
import type { Picked } from './scene-store';

/** The edits that move what is picked. What is carried by something that is picked too goes with it anyway. */
export function movedEdits(
  scene: SceneDocument,
  picked: readonly Picked[],
  by: readonly [number, number],
  seconds: number,
): Edit[] {
  const ids = new Set(picked.map((p) => p.id));
  return picked.flatMap(({ collection, id }): Edit[] => {
    let edit: Edit | null = null;
    if (collection === 'lights' || collection === 'lamps' || collection === 'sprites') {
      const thing = scene[collection][id];
      if (carriersOf(scene, thing.hangsOn).some((carrier) => ids.has(carrier))) return [];
      const [dx, dy] = shiftOnGround(scene, thing, seconds, ...by);
      edit = change(scene, collection, id, { x: thing.x + dx, y: thing.y + dy });
    } else if (collection === 'occluders') {
      const { spriteId } = scene.occluders[id];
      if (spriteId !== null && ids.has(spriteId)) return [];
      edit = change(scene, 'occluders', id, { outlines: movedOutlines(scene, id, by, seconds) });
    }
    return edit ? [edit] : [];
  });
}

/** The outlines moved by some scene px, in the occluder's own px. */
function movedOutlines(
  scene: SceneDocument,
  id: string,
  [dx, dy]: readonly [number, number],
  seconds: number,
): number[][] {
  const occluder = scene.occluders[id];
  const map = occluderMap(scene, occluder, seconds);
  const back = map && inverse(map);
  if (!back) return occluder.outlines;
  const [ox, oy] = [back.a * dx + back.c * dy, back.b * dx + back.d * dy];
  return occluder.outlines.map((points) => points.map((v, i) => v + (i % 2 === 0 ? ox : oy)));
}
