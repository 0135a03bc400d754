/** Points of the wash that is worked on, as handles of the stage. */
import type { SceneDocument } from '@/core/scene/document';
import { applyEdits, change, type Edit } from '@/core/scene/edits';
import type { Wash } from '@/core/scene/records/wash';
import type { Studio } from '../store/studio';
import { addWashPoint, deleteWashPoint, washOrigin, withPointChanged, workedWash } from '../store/wash-edits';
import type { Overlay } from '../surface/overlay';
import type { PointWork } from './point-work';
import { snapPoint, tidyPoint } from './snap';

export interface WashPointHandle {
  kind: 'wash point';
  label: string;
  x: number;
  y: number;
  washId: string;
  point: number;
}

/** A corner of its rectangle. */
interface WashCornerHandle {
  kind: 'wash corner';
  label: string;
  x: number;
  y: number;
  washId: string;
  corner: readonly [-1 | 1, -1 | 1];
}

export type WashHandle = WashPointHandle | WashCornerHandle;

const CORNERS = [
  [-1, -1],
  [1, -1],
  [1, 1],
  [-1, 1],
] as const;
const LEAST_SIDE_PX = 1;

/** Whether a wash lies in its rectangle alone, or where the figure is in it. */
const hasRectangle = ({ tiedTo, onEntering }: Wash) => tiedTo === 'rectangle' || onEntering;

function cornerHandles(scene: SceneDocument, washId: string): WashCornerHandle[] {
  const wash = scene.washes[washId];
  if (!wash || !hasRectangle(wash)) return [];
  const { x, y, widthPx, heightPx } = wash;
  return CORNERS.map((corner) => ({
    ...{ kind: 'wash corner', label: 'Size the area of the wash', washId, corner },
    ...{ x: corner[0] < 0 ? x : x + widthPx, y: corner[1] < 0 ? y : y + heightPx },
  }));
}

/** The rectangle with one corner moved, the one across from it where it was. */
function movedCorner(scene: SceneDocument, { washId, corner }: WashCornerHandle, atX: number, atY: number) {
  const { x, y, widthPx, heightPx } = scene.washes[washId];
  const [right, bottom] = [x + widthPx, y + heightPx];
  const width = Math.max(LEAST_SIDE_PX, corner[0] < 0 ? right - atX : atX - x);
  const height = Math.max(LEAST_SIDE_PX, corner[1] < 0 ? bottom - atY : atY - y);
  return change(scene, 'washes', washId, {
    ...{ widthPx: width, heightPx: height },
    ...{ x: corner[0] < 0 ? right - width : x, y: corner[1] < 0 ? bottom - height : y },
  });
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
function movedWashPoint(
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
  const { points } = scene.washes[washId];
  const corners = cornerHandles(scene, washId);
  if (corners.length > 0) {
    overlay.path(
      corners.map(({ x, y }) => [x, y] as const),
      true,
      true,
    );
    for (const { x, y } of corners) overlay.pointMark(x, y, true);
  }
  for (const handle of washHandles(scene, washId)) {
    overlay.patch(handle.x, handle.y, points[handle.point].colour);
    overlay.words(handle.x, handle.y, `${handle.point + 1}`, 11, 4);
  }
}

/** The wash that is worked on; there is none while the scene has none. */
export const washWork: PointWork<WashHandle> = {
  isAtHand: (studio) => workedWash(studio) !== null,
  handles(studio) {
    const { scene } = studio;
    const washId = workedWash(studio)!;
    return [...washHandles(scene, washId), ...cornerHandles(scene, washId)];
  },
  moved(studio, base, handle, to) {
    const [x, y] = tidyPoint(...snapPoint(studio, to));
    if (handle.kind === 'wash point')
      return { edit: movedWashPoint(base, handle, x, y), words: `${x}, ${y}` };
    const edit = movedCorner(base, handle, x, y);
    const { widthPx, heightPx } = applyEdits(base, edit ? [edit] : []).washes[handle.washId];
    return { edit, words: `${widthPx} × ${heightPx}` };
  },
  double(studio, { x, y }, handle) {
    const washId = workedWash(studio)!;
    if (handle?.kind === 'wash corner') return true;
    if (handle) deleteWashPoint(studio, washId, handle.point);
    else addWashPoint(studio, washId, x, y);
    return true;
  },
  draw: (overlay, studio) => drawWash(overlay, studio, workedWash(studio)!),
  hint: () =>
    'Drag a point of the wash or a corner of its area; a double click adds a point or takes one away',
};
