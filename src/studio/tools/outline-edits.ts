/** Changes to the outlines of occluders. */
import { inverse } from '@/core/geometry/affine';
import { distanceToSegment } from '@/core/geometry/outline';
import type { SceneDocument } from '@/core/scene/document';
import { occluderMap } from '../stage/hits';

/** The outlines moved by some scene px, in the occluder's own px. */
export function movedOutlines(scene: SceneDocument, id: string, dx: number, dy: number): number[][] {
  const occluder = scene.occluders[id];
  const map = occluderMap(scene, occluder);
  const back = map && inverse(map);
  if (!back) return occluder.outlines;
  const [ox, oy] = [back.a * dx + back.c * dy, back.b * dx + back.d * dy];
  return occluder.outlines.map((points) => points.map((v, i) => v + (i % 2 === 0 ? ox : oy)));
}

/** The outlines without one point; an outline of too few points goes, and null is none left. */
export function withoutPoint(
  outlines: readonly number[][],
  outline: number,
  point: number,
  fewest: number,
): number[][] | null {
  const next = outlines.flatMap((points, o) => {
    if (o !== outline) return [points];
    const rest = points.filter((_, i) => i >> 1 !== point);
    return rest.length >= 2 * fewest ? [rest] : [];
  });
  return next.length > 0 ? next : null;
}

/** The outlines with one more point on the side nearest to it, in the occluder's own px. */
export function withPoint(outlines: readonly number[][], closed: boolean, x: number, y: number): number[][] {
  let best = { away: Infinity, outline: 0, after: 0 };
  outlines.forEach((points, outline) => {
    const sides = closed ? points.length : points.length - 2;
    for (let i = 0; i < sides; i += 2) {
      const j = (i + 2) % points.length;
      const away = distanceToSegment(x, y, points[i], points[i + 1], points[j], points[j + 1]);
      if (away < best.away) best = { away, outline, after: i };
    }
  });
  return outlines.map((points, o) =>
    o === best.outline ? points.toSpliced(best.after + 2, 0, x, y) : points,
  );
}
