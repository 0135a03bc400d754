/** Whether one point is seen from a light past segments: exact, one segment after another. */
import { orient2d } from 'robust-predicates';

/**
 * Whether a point is seen from a light: whether it lies in the closure of the region that segments leave open. A way
 * that only grazes an end is open; one between two segments that meet there, one on each side, is not.
 * @param segments as for `visiblePolygon`; O(n), and exact
 */
export function isVisible(segments: Float64Array, x: number, y: number, px: number, py: number): boolean {
  if (x === px && y === py) return true;
  const isAlongX = Math.abs(px - x) >= Math.abs(py - y);
  // Strictly between the light and the point, of a place on the line through both.
  const isBetween = (qx: number, qy: number) =>
    isAlongX ? qx > Math.min(x, px) && qx < Math.max(x, px) : qy > Math.min(y, py) && qy < Math.max(y, py);
  let isLeftOpen = true;
  let isRightOpen = true;
  for (let i = 0; i < segments.length; i += 4) {
    const ax = segments[i];
    const ay = segments[i + 1];
    const bx = segments[i + 2];
    const by = segments[i + 3];
    const sideA = orient2d(x, y, px, py, ax, ay);
    const sideB = orient2d(x, y, px, py, bx, by);
    if (sideA === 0 && sideB === 0) continue;
    if (sideA !== 0 && sideB !== 0) {
      if (sideA > 0 === sideB > 0) continue;
      const ofLight = orient2d(ax, ay, bx, by, x, y);
      const ofPoint = orient2d(ax, ay, bx, by, px, py);
      if ((ofLight > 0 && ofPoint < 0) || (ofLight < 0 && ofPoint > 0)) return false;
    } else {
      const isOn = sideA === 0 ? isBetween(ax, ay) : isBetween(bx, by);
      if (!isOn) continue;
      if (sideA + sideB > 0) isLeftOpen = false;
      else isRightOpen = false;
      if (!isLeftOpen && !isRightOpen) return false;
    }
  }
  return true;
}
