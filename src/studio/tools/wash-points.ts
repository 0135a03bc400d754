/** Points of the wash that is worked on, as handles of the stage. */
import type { SceneDocument } from '@/core/scene/document';
import { change, type Edit } from '@/core/scene/edits';
import type { Studio } from '../store/studio';
import { addWashPoint, deleteWashPoint, washOrigin, withPointChanged, workedWash } from '../store/wash-edits';
import type { Overlay } from '../surface/overlay';
import type { PointWork } from './point-work';

export interface WashPointHandle {
  kind: 'wash point';
  label: string;
  x: number;
  y: number;
  washId: string;
  point: number;
}

function washHandles(scene: SceneDocument, washId: string): WashPointHandle[] {
  const wash = scene.washes[washId];
  if (!wash) return [];
  const [left, top] = washOrigin(scene, wash);
  return wash.points.map(({ x, y }, point) => ({
    ...{ kind: 'wash point', label: 'Move a point of the wash', washId, point },
    ...{ x: left + x, y: top + y },
  }));
}

/** A point moved to a place of the scene. */
export function movedWashPoint(
  scene: SceneDocument,
  { washId, point }: WashPointHandle,
  x: number,
  y: number,
): Edit | null {
  const wash = scene.washes[washId];
  const [left, top] = washOrigin(scene, wash);
  return change(scene, 'washes', washId, withPointChanged(wash, point, { x: x - left, y: y - top }));
}

/** The points of a wash, and the rectangle that it lies in. */
function drawWash(overlay: Overlay, { scene }: Studio, washId: string): void {
  const { tiedTo, x, y, widthPx, heightPx, points } = scene.washes[washId];
  if (tiedTo === 'rectangle') {
    const [right, bottom] = [x + widthPx, y + heightPx];
    overlay.path(
      [
        [x, y],
        [right, y],
        [right, bottom],
        [x, bottom],
      ],
      true,
      true,
    );
  }
  for (const handle of washHandles(scene, washId)) {
    overlay.patch(handle.x, handle.y, points[handle.point].colour);
    overlay.words(handle.x, handle.y, `${handle.point + 1}`, 11, 4);
  }
}

/** The wash that is worked on; there is none while the scene has none. */
export const washWork: PointWork<WashPointHandle> = {
  isAtHand: (studio) => workedWash(studio) !== null,
  handles: (studio) => washHandles(studio.scene, workedWash(studio)!),
  double(studio, { x, y }, handle) {
    const washId = workedWash(studio)!;
    if (handle) deleteWashPoint(studio, washId, handle.point);
    else addWashPoint(studio, washId, x, y);
    return true;
  },
  draw: (overlay, studio) => drawWash(overlay, studio, workedWash(studio)!),
  hint: () => 'Drag a point of the wash; a double click adds one or takes one away',
};
