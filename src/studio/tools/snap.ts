/** Where things and points come to stand: on points that are there, on the grid, on whole px. */
import { settingsOf } from '@/core/scene/document';
import { broughtEdges, drawnOutlines } from '../store/outline-places';
import type { Studio } from '../store/studio';
import type { ToolEvent } from './tool';

/** How much of what counts as near draws a point to another one. */
const PULL_SHARE = 0.75;

/** A place on the grid that is set, on whole px in pixel art, or just where it is. */
export function snappedPlace(studio: Studio, x: number, y: number): [number, number] {
  const { gridPx } = studio.desk.getState();
  const step = gridPx || (settingsOf(studio.scene).pixelArt ? 1 : 0);
  return step === 0 ? [x, y] : [onStep(x, step), onStep(y, step)];
}

/**
 * A point of an outline: on another one that is near, on the grid, on whole px; anywhere with Alt.
 * @param withoutId an occluder whose own points do not count
 */
export function snapPoint(
  studio: Studio,
  { x, y, nearPx, alt }: Pick<ToolEvent, 'x' | 'y' | 'nearPx' | 'alt'>,
  withoutId: string | null = null,
): [number, number] {
  if (alt) return tidyPoint(x, y);
  const other = pointNear(studio, x, y, nearPx * PULL_SHARE, withoutId);
  const step = studio.desk.getState().gridPx || 1;
  return other ?? [onStep(x, step), onStep(y, step)];
}

/** A point without more places than anyone sees. */
export function tidyPoint(x: number, y: number): [number, number] {
  return [Math.round(x * 100) / 100, Math.round(y * 100) / 100];
}

function onStep(v: number, step: number): number {
  return Math.round(v / step) * step;
}

function pointNear(
  studio: Studio,
  x: number,
  y: number,
  nearPx: number,
  withoutId: string | null,
): [number, number] | null {
  const { scene } = studio;
  const { seconds } = studio.live.getState();
  let best: [number, number] | null = null;
  let bestAway = nearPx;
  const offer = (point: [number, number]) => {
    const away = Math.max(Math.abs(point[0] - x), Math.abs(point[1] - y));
    if (away <= bestAway) [best, bestAway] = [point, away];
  };
  for (const [id, occluder] of Object.entries(scene.occluders)) {
    if (id === withoutId || occluder.hidden) continue;
    for (const points of drawnOutlines(scene, occluder, seconds)) {
      for (const point of points) offer(point);
    }
  }
  for (const edges of broughtEdges(studio.occluders(seconds), scene, () => true))
    for (let i = 0; i < edges.length; i += 2) offer([edges[i], edges[i + 1]]);
  return best;
}
