/** Where points of outlines may lie: on points that are there, on the grid, on whole px; anywhere with Alt. */
import type { SceneDocument } from '@/core/scene/document';
import { drawnOutlines } from '../stage/hits';
import type { Studio } from '../store/studio';
import type { ToolEvent } from './tool';

/** How much of what counts as near draws a point to another one. */
const PULL_SHARE = 0.75;

/** @param withoutId an occluder whose own points do not count */
export function snapPoint(
  studio: Studio,
  { x, y, nearPx, alt }: Pick<ToolEvent, 'x' | 'y' | 'nearPx' | 'alt'>,
  withoutId: string | null = null,
): [number, number] {
  if (alt) return snapped([x, y], true);
  const other = pointNear(studio.scene, x, y, nearPx * PULL_SHARE, withoutId, studio.live.getState().seconds);
  if (other) return other;
  const { gridPx } = studio.desk.getState();
  if (gridPx > 0) return [Math.round(x / gridPx) * gridPx, Math.round(y / gridPx) * gridPx];
  return snapped([x, y], false);
}

function pointNear(
  scene: SceneDocument,
  x: number,
  y: number,
  nearPx: number,
  withoutId: string | null,
  seconds: number,
): [number, number] | null {
  let best: [number, number] | null = null;
  let bestAway = nearPx;
  for (const [id, occluder] of Object.entries(scene.occluders)) {
    if (id === withoutId || occluder.hidden) continue;
    for (const points of drawnOutlines(scene, occluder, seconds)) {
      for (const point of points) {
        const away = Math.max(Math.abs(point[0] - x), Math.abs(point[1] - y));
        if (away <= bestAway) [best, bestAway] = [point, away];
      }
    }
  }
  return best;
}

/** Points lie on whole px unless Alt is held. */
export function snapped([x, y]: readonly [number, number], free: boolean): [number, number] {
  return free ? [Math.round(x * 100) / 100, Math.round(y * 100) / 100] : [Math.round(x), Math.round(y)];
}
