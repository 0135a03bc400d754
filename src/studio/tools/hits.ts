/** What lies under a point of the stage. Places are scene px with parallax, as they are drawn. */
import { applyTo, inverse } from '@/core/geometry/affine';
import { distanceToSegment } from '@/core/geometry/outline';
import { figureSize } from '@/core/art/frames';
import type { Rows } from '@/core/moment/rows';
import { shownFrame, Standing } from '@/core/moment/standing';
import type { PictureSource } from '@/core/moment/moment';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { Fixture } from '@/core/scene/records/fixture';
import type { Occluder } from '@/core/scene/records/occluder';
import type { Sprite } from '@/core/scene/records/sprite';
import { FIXTURES } from '../store/fixtures';
import { drawnOutlines } from '../store/outline-places';
import type { Picked } from '../store/scene-store';

export interface HitOptions {
  /** What is drawn on each plane, in order. */
  rows: Rows;
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
  { rows, nearPx, source, seconds }: HitOptions,
): Picked | null {
  const standing = new Standing(scene, seconds);
  for (const collection of FIXTURES) {
    for (const [id, fixture] of inOrder<Fixture>(scene[collection]).reverse()) {
      if (fixture.locked || !isOpen(scene, fixture.planeId) || !standing.shows(fixture)) continue;
      const place = placeOf(standing, fixture);
      if (place && Math.abs(place[0] - x) + Math.abs(place[1] - y) <= nearPx * 1.5) return { collection, id };
    }
  }
  for (const [id, occluder] of Object.entries(scene.occluders)) {
    if (occluder.hidden || occluder.locked) continue;
    if (!isOpen(scene, planeOfOccluder(scene, occluder))) continue;
    if (
      nearestEdge(drawnOutlines(scene, occluder, seconds), occluder.kind === 'closed', x, y) <=
      nearPx * 0.6
    )
      return { collection: 'occluders', id };
  }
  for (const [planeId, plane] of inOrder(scene.planes).reverse()) {
    if (plane.hidden || plane.locked) continue;
    const row = rows.get(planeId) ?? [];
    for (let i = row.length - 1; i >= 0; i--) {
      const { kind, id, record } = row[i];
      if (kind !== 'sprite' || record.locked || !standing.shows(record)) continue;
      if (isOnSprite(standing, record, [x, y], source)) return { collection: 'sprites', id };
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

/** Where a light or a lamp is drawn. */
function placeOf(standing: Standing, fixture: Fixture): [number, number] | null {
  const ground = standing.ground(fixture);
  return ground && applyTo(ground, fixture.x, fixture.y);
}

function isOnSprite(
  standing: Standing,
  sprite: Sprite,
  [x, y]: [number, number],
  source: PictureSource,
): boolean {
  const stood = standing.sprite(sprite);
  const shown = stood && shownFrame(stood);
  const back = shown && inverse(shown.map);
  if (!shown || !back) return false;
  const { left, top, widthPx, heightPx } = shown.frame;
  const [u, v] = applyTo(back, x, y).map(Math.floor);
  if (u < 0 || v < 0 || u >= widthPx || v >= heightPx) return false;
  const pixels = sprite.artworkId === null ? null : source(sprite.artworkId);
  return pixels === null || pixels.rgba[4 * ((top + v) * pixels.width + left + u) + 3] > 0;
}

/** Everything that can be picked whose place lies in a box. */
export function hitsWithin(
  scene: SceneDocument,
  [x0, y0, x1, y1]: readonly [number, number, number, number],
  seconds: number,
): Picked[] {
  const [left, right, top, bottom] = [Math.min(x0, x1), Math.max(x0, x1), Math.min(y0, y1), Math.max(y0, y1)];
  const standing = new Standing(scene, seconds);
  const isIn = (x: number, y: number) => x >= left && x <= right && y >= top && y <= bottom;
  const lights = FIXTURES.flatMap((collection) =>
    Object.entries<Fixture>(scene[collection]).flatMap(([id, fixture]): Picked[] => {
      const place = fixture.locked || !standing.shows(fixture) ? null : placeOf(standing, fixture);
      return place && isIn(...place) ? [{ collection, id }] : [];
    }),
  );
  const sprites = Object.entries(scene.sprites).flatMap(([id, sprite]): Picked[] => {
    const plane = scene.planes[sprite.planeId];
    const stood = standing.sprite(sprite);
    if (!stood || sprite.locked || !standing.shows(sprite) || plane.locked) return [];
    const { widthPx, heightPx } = figureSize(stood.artwork);
    const middle = applyTo(stood.figure, widthPx / 2, heightPx / 2);
    return isIn(...middle) ? [{ collection: 'sprites', id }] : [];
  });
  const occluders = Object.entries(scene.occluders).flatMap(([id, occluder]): Picked[] => {
    if (occluder.hidden || occluder.locked || !isOpen(scene, planeOfOccluder(scene, occluder))) return [];
    const points = drawnOutlines(scene, occluder, seconds).flat();
    const [across, down] = [points.map(([x]) => x), points.map(([, y]) => y)];
    const middle = [across, down].map((all) => (Math.min(...all) + Math.max(...all)) / 2);
    return points.length > 0 && isIn(middle[0], middle[1]) ? [{ collection: 'occluders', id }] : [];
  });
  return [...lights, ...sprites, ...occluders];
}

/** Whether what stands on a plane can be picked on the stage. */
function isOpen({ planes }: SceneDocument, planeId: string): boolean {
  return planes[planeId] && !planes[planeId].hidden && !planes[planeId].locked;
}

/** The plane of an occluder: its own, or that of the sprite that it belongs to. */
function planeOfOccluder(scene: SceneDocument, { spriteId, planeId }: Occluder): string {
  return spriteId === null ? planeId : (scene.sprites[spriteId]?.planeId ?? '');
}
