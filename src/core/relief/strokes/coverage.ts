/** Areas that a stroke fills: polygons, and whatever a test takes. */
import { edgesOfClosed, isInside } from '../../geometry/outline';
import { commonRect, grownRect, isEmptyRect, joinedRects, NO_RECT, type Rect } from '../../raster/rect';
import type { PlacedStroke } from './stroke';

/** Covers the inside of a polygon, within a frame. */
export function coverPolygon(
  coverage: Float32Array,
  width: number,
  frame: Rect,
  { points, opacity }: Pick<PlacedStroke, 'points' | 'opacity'>,
): Rect {
  const outline: number[] = [];
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (let k = 0; k + 2 < points.length; k += 3) {
    outline.push(points[k], points[k + 1]);
    box.left = Math.min(box.left, points[k]);
    box.right = Math.max(box.right, points[k]);
    box.top = Math.min(box.top, points[k + 1]);
    box.bottom = Math.max(box.bottom, points[k + 1]);
  }
  if (outline.length < 6) return NO_RECT;
  const edges = edgesOfClosed([outline]);
  const rect = commonRect(grownRect(box, 0), frame);
  if (isEmptyRect(rect)) return NO_RECT;
  for (let y = rect.top; y < rect.bottom; y++) {
    for (let x = rect.left; x < rect.right; x++) {
      if (isInside(edges, x + 0.5, y + 0.5)) coverage[y * width + x] = opacity;
    }
  }
  return rect;
}

/** Covers all pixels of a frame that a test takes. */
export function coverWhere(
  coverage: Float32Array,
  width: number,
  frame: Rect,
  opacity: number,
  takes: (i: number) => boolean,
): Rect {
  let rect = NO_RECT;
  for (let y = frame.top; y < frame.bottom; y++) {
    let left = frame.right;
    let right = -1;
    for (let x = frame.left, i = y * width + x; x < frame.right; x++, i++) {
      if (!takes(i)) continue;
      coverage[i] = opacity;
      if (x < left) left = x;
      right = x;
    }
    if (right >= 0) rect = joinedRects(rect, { left, top: y, right: right + 1, bottom: y + 1 });
  }
  return rect;
}
