/** Points of the wash that is worked on, as handles of the stage. */
import type { SceneDocument } from '@/core/scene/document';
import { change, type Edit } from '@/core/scene/edits';
import { washOrigin, withPointChanged } from '../store/wash-edits';

export interface WashPointHandle {
  kind: 'wash point';
  label: string;
  x: number;
  y: number;
  washId: string;
  point: number;
}

export function washHandles(scene: SceneDocument, washId: string): WashPointHandle[] {
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
