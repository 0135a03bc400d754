/** What lies under a point of the stage. Places are scene px with parallax, as they are drawn. */
import { applyTo, inverse } from '@/core/geometry/affine';
import { distanceToSegment } from '@/core/geometry/outline';
import { figureSize } from '@/core/art/frames';
import { parallaxShift, spriteAffine, spriteShown } from '@/core/moment/moment-at';
import type { PictureSource } from '@/core/moment/moment';
import { inOrder, type Occluder, type SceneDocument } from '@/core/scene/document';
import type { Picked } from '../store/scene-store';

/** The place of a light as it is drawn. */
export function lightPlace(scene: SceneDocument, id: string): [number, number] | null {
  const light = scene.lights[id];
  const plane = light && scene.planes[light.planeId];
  if (!plane) return null;
  const [dx, dy] = parallaxShift(scene, plane);
  return [light.x + dx, light.y + dy];
}

/** The map from an occluder's own px to where it is drawn. */
export function occluderMap(scene: SceneDocument, occluder: Occluder) {
  if (occluder.spriteId !== null) {
    const sprite = scene.sprites[occluder.spriteId];
    return sprite ? spriteAffine(scene, sprite) : null;
  }
  const plane = scene.planes[occluder.planeId];
  if (!plane) return null;
  const [e, f] = parallaxShift(scene, plane);
  return { a: 1, b: 0, c: 0, d: 1, e, f };
}

/** Outlines of an occluder as they are drawn. */
export function drawnOutlines(scene: SceneDocument, occluder: Occluder): [number, number][][] {
  const map = occluderMap(scene, occluder);
  if (!map) return [];
  return occluder.outlines.map((points) =>
    Array.from({ length: points.length / 2 }, (_, i) => applyTo(map, points[2 * i], points[2 * i + 1])),
  );
}

export interface HitOptions {
  /** How near counts, scene px. */
  nearPx: number;
  source: PictureSource;
  /** The second that is shown: sprites of many frames are hit where they are drawn. */
  seconds: number;
}

/** The uppermost light, occluder or sprite under a point. */
export function hitAt(
  scene: SceneDocument,
  x: number,
  y: number,
  { nearPx, source, seconds }: HitOptions,
): Picked | null {
  const isOpen = (planeId: string) =>
    scene.planes[planeId] && !scene.planes[planeId].hidden && !scene.planes[planeId].locked;
  for (const [id, light] of inOrder(scene.lights).reverse()) {
    const place = lightPlace(scene, id);
    if (!place || light.hidden || light.locked || !isOpen(light.planeId)) continue;
    if (Math.abs(place[0] - x) + Math.abs(place[1] - y) <= nearPx * 1.5) return { collection: 'lights', id };
  }
  for (const [id, occluder] of Object.entries(scene.occluders)) {
    if (occluder.hidden || occluder.locked) continue;
    const planeId =
      occluder.spriteId === null ? occluder.planeId : (scene.sprites[occluder.spriteId]?.planeId ?? '');
    if (!isOpen(planeId)) continue;
    if (nearestEdge(drawnOutlines(scene, occluder), occluder.kind === 'closed', x, y) <= nearPx * 0.6)
      return { collection: 'occluders', id };
  }
  for (const [planeId, plane] of inOrder(scene.planes).reverse()) {
    if (plane.hidden || plane.locked) continue;
    const own = Object.fromEntries(
      Object.entries(scene.sprites).filter(([, sprite]) => sprite.planeId === planeId),
    );
    for (const [id, sprite] of inOrder(own).reverse()) {
      if (!sprite.hidden && !sprite.locked && isOnSprite(scene, id, [x, y], source, seconds))
        return { collection: 'sprites', id };
    }
  }
  return null;
}

function nearestEdge(outlines: [number, number][][], closed: boolean, x: number, y: number): number {
  let nearest = Infinity;
  for (const points of outlines) {
    const last = closed ? points.length : points.length - 1;
    for (let i = 0; i < last; i++) {
      const [a, b] = [points[i], points[(i + 1) % points.length]];
      nearest = Math.min(nearest, distanceToSegment(x, y, a[0], a[1], b[0], b[1]));
    }
  }
  return nearest;
}

function isOnSprite(
  scene: SceneDocument,
  id: string,
  [x, y]: [number, number],
  source: PictureSource,
  seconds: number,
): boolean {
  const sprite = scene.sprites[id];
  const shown = spriteShown(scene, sprite, seconds);
  const back = shown && inverse(shown.map);
  if (!shown || !back) return false;
  const { left, top, widthPx, heightPx } = shown.frame;
  const [u, v] = applyTo(back, x, y).map(Math.floor);
  if (u < 0 || v < 0 || u >= widthPx || v >= heightPx) return false;
  const pixels = source(sprite.artworkId);
  return pixels === null || pixels.rgba[4 * ((top + v) * pixels.width + left + u) + 3] > 0;
}

/** Everything that can be picked whose place lies in a box. */
export function hitsWithin(scene: SceneDocument, x0: number, y0: number, x1: number, y1: number): Picked[] {
  const [left, right, top, bottom] = [Math.min(x0, x1), Math.max(x0, x1), Math.min(y0, y1), Math.max(y0, y1)];
  const isIn = (x: number, y: number) => x >= left && x <= right && y >= top && y <= bottom;
  const lights = Object.keys(scene.lights).flatMap((id): Picked[] => {
    const place = lightPlace(scene, id);
    const { locked, hidden } = scene.lights[id];
    return place && !locked && !hidden && isIn(...place) ? [{ collection: 'lights', id }] : [];
  });
  const sprites = Object.entries(scene.sprites).flatMap(([id, sprite]): Picked[] => {
    const artwork = scene.artworks[sprite.artworkId];
    const map = spriteAffine(scene, sprite);
    const plane = scene.planes[sprite.planeId];
    if (!artwork || !map || sprite.locked || sprite.hidden || !plane || plane.locked || plane.hidden)
      return [];
    const { widthPx, heightPx } = figureSize(artwork);
    const middle = applyTo(map, widthPx / 2, heightPx / 2);
    return isIn(...middle) ? [{ collection: 'sprites', id }] : [];
  });
  return [...lights, ...sprites];
}
