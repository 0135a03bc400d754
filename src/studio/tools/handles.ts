/** Handles of what is picked: isolux lines, turn and scale of a sprite, points of an occluder, the gate's frame. */
import { applyTo, inverse, type Affine } from '@/core/geometry/affine';
import { figureSize } from '@/core/art/frames';
import { artOf, spriteAffine } from '@/core/moment/standing';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import type { Picked } from '../store/scene-store';
import { drawnOutlines, occluderMap } from '../store/outline-places';
import type { LightHandle } from '../lights/handle-makers';
import { lightHandles } from '../lights/light-handles';
import { pickedLight } from '../lights/picked-light';
import type { Studio } from '../store/studio';
import { isOfWork, workAtHand, type WorkHandle } from './work-at-hand';

export type Handle =
  | LightHandle
  | WorkHandle
  | ({ label: string; x: number; y: number } & (
      | { kind: 'turn' | 'scale'; id: string; cx: number; cy: number }
      | { kind: 'point'; id: string; outline: number; point: number; back: Affine }
      | { kind: 'gate'; corner: readonly [-1 | 0 | 1, -1 | 0 | 1] }
    ));

const OTHERS: ReadonlySet<string> = new Set(['turn', 'scale', 'point', 'gate']);

export function isOfLight(handle: Handle): handle is LightHandle {
  return !OTHERS.has(handle.kind) && !isOfWork(handle);
}

/** The turn ring stands this far beyond the sprite's upper side, as a multiple of how near counts. */
const RING_AWAY = 2.6;

export interface HandleOptions {
  /** How near counts, scene px. */
  nearPx: number;
  /** The second that is shown. */
  seconds: number;
  /** The part of a lamp that is worked on. */
  partId: string | null;
}

/** All handles of what is picked; things picked many at once have none. */
export function handlesOf(
  scene: SceneDocument,
  selection: readonly Picked[],
  { nearPx, seconds, partId }: HandleOptions,
): Handle[] {
  if (selection.length !== 1) return [];
  const [picked] = selection;
  const { collection, id } = picked;
  const light = pickedLight(scene, picked, partId, seconds);
  if (light) return lightHandles(light, nearPx);
  if (collection === 'sprites') return spriteHandles(scene, id, nearPx, seconds);
  if (collection === 'occluders') return pointHandles(scene, id, seconds);
  return [];
}

/** Corners of a sprite as it is drawn: top left, top right, bottom right, bottom left of its figure. */
export function spriteCorners(scene: SceneDocument, id: string, seconds: number): [number, number][] {
  const sprite = scene.sprites[id];
  const artwork = sprite && artOf(scene, sprite);
  const map = sprite && spriteAffine(scene, sprite, seconds);
  if (!artwork || !map) return [];
  const { widthPx: w, heightPx: h } = figureSize(artwork);
  return [applyTo(map, 0, 0), applyTo(map, w, 0), applyTo(map, w, h), applyTo(map, 0, h)];
}

function spriteHandles(scene: SceneDocument, id: string, nearPx: number, seconds: number): Handle[] {
  const corners = spriteCorners(scene, id, seconds);
  const sprite = scene.sprites[id];
  const artwork = sprite && artOf(scene, sprite);
  const map = sprite && spriteAffine(scene, sprite, seconds);
  if (corners.length === 0 || !artwork || !map) return [];
  const [cx, cy] = applyTo(map, artwork.pivotX, artwork.pivotY);
  const scales = corners.map(([x, y]): Handle => ({ kind: 'scale', label: 'Scale', id, cx, cy, x, y }));
  const [mx, my] = [(corners[0][0] + corners[1][0]) / 2, (corners[0][1] + corners[1][1]) / 2];
  const [ox, oy] = [(corners[3][0] + corners[2][0]) / 2, (corners[3][1] + corners[2][1]) / 2];
  const length = Math.max(1e-6, Math.sqrt((mx - ox) * (mx - ox) + (my - oy) * (my - oy)));
  const away = (nearPx * RING_AWAY) / length;
  return [
    { kind: 'turn', label: 'Turn', id, cx, cy, x: mx + (mx - ox) * away, y: my + (my - oy) * away },
    ...scales,
  ];
}

function pointHandles(scene: SceneDocument, id: string, seconds: number): Handle[] {
  const occluder = scene.occluders[id];
  const map = occluder && occluderMap(scene, occluder, seconds);
  const back = map && inverse(map);
  if (!occluder || !back) return [];
  return drawnOutlines(scene, occluder, seconds).flatMap((points, outline) =>
    points.map(([x, y], point): Handle => ({
      kind: 'point',
      label: 'Move a point',
      id,
      outline,
      point,
      back,
      x,
      y,
    })),
  );
}

/** The handle under a place of the stage: a point of what is worked on, or of what is picked. */
export function handleUnder(
  studio: Studio,
  { x, y, nearPx }: { x: number; y: number; nearPx: number },
): Handle | null {
  const work = workAtHand(studio);
  if (work) return nearestOf(work.handles(studio), x, y, nearPx);
  const { seconds } = studio.live.getState();
  const { partId } = studio.desk.getState();
  return handleAt(studio.scene, studio.scenes.state.selection, x, y, { nearPx, seconds, partId });
}

function nearestOf<H extends { x: number; y: number }>(
  handles: readonly H[],
  x: number,
  y: number,
  nearPx: number,
): H | null {
  let best: H | null = null;
  let bestAway = nearPx;
  for (const handle of handles) {
    const away = Math.max(Math.abs(handle.x - x), Math.abs(handle.y - y));
    if (away <= bestAway) [best, bestAway] = [handle, away];
  }
  return best;
}

/** The handle under a point: the nearest of what is picked, a whole isolux line, or the gate's frame. */
export function handleAt(
  scene: SceneDocument,
  selection: readonly Picked[],
  x: number,
  y: number,
  options: HandleOptions,
): Handle | null {
  const { nearPx } = options;
  const handles = handlesOf(scene, selection, options);
  const nearest = nearestOf(handles, x, y, nearPx);
  if (nearest) return nearest;
  for (const handle of handles) {
    if (handle.kind !== 'isolux' || handle.radius < 2 * nearPx) continue;
    const [dx, dy] = [x - handle.cx, (y - handle.cy) * handle.squash];
    const r = Math.sqrt(dx * dx + dy * dy);
    if (Math.abs(r - handle.radius) <= nearPx * 0.5) return handle;
  }
  return selection.length === 0 ? gateHandle(scene, x, y, nearPx * 0.5) : null;
}

function gateHandle(scene: SceneDocument, x: number, y: number, nearPx: number): Handle | null {
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
  const [right, bottom] = [gateX + gateWidthPx, gateY + gateHeightPx];
  // A corner is easier to meet than a side.
  for (const cx of [-1, 1] as const) {
    for (const cy of [-1, 1] as const) {
      const [px, py] = [cx < 0 ? gateX : right, cy < 0 ? gateY : bottom];
      if (Math.max(Math.abs(x - px), Math.abs(y - py)) <= 2 * nearPx)
        return { kind: 'gate', label: 'Size of the gate', corner: [cx, cy], x: px, y: py };
    }
  }
  const within = x >= gateX - nearPx && x <= right + nearPx && y >= gateY - nearPx && y <= bottom + nearPx;
  const onSide =
    Math.min(Math.abs(x - gateX), Math.abs(x - right), Math.abs(y - gateY), Math.abs(y - bottom)) <= nearPx;
  return within && onSide ? { kind: 'gate', label: 'Move the gate', corner: [0, 0], x, y } : null;
}
