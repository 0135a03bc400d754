/**
 * How much of a stroke lies on each pixel, 0 to 1. A line is swept, not stamped: a pixel takes the most that any piece
 * of the line gives it, so that a slow hand and a quick one paint the same, and opacity is that of the whole stroke.
 */
import { edgesOfClosed, isInside } from '../../geometry/outline';
import { smoothstep01 } from '../../geometry/exact';
import type { Rect } from '../../raster/crop';
import type { PlacedStroke } from './stroke';

/** A pixel's centre on the border of a hard brush belongs to it. */
const ON_BORDER_PX = 1e-4;

export const NO_RECT: Rect = { left: 0, top: 0, right: 0, bottom: 0 };

export function isEmptyRect({ left, top, right, bottom }: Rect): boolean {
  return right <= left || bottom <= top;
}

export function joinedRects(a: Rect, b: Rect): Rect {
  if (isEmptyRect(a)) return b;
  if (isEmptyRect(b)) return a;
  return {
    left: Math.min(a.left, b.left),
    top: Math.min(a.top, b.top),
    right: Math.max(a.right, b.right),
    bottom: Math.max(a.bottom, b.bottom),
  };
}

/** A rectangle grown to all sides and held within a picture. */
export function grownRect(
  { left, top, right, bottom }: Rect,
  by: number,
  width: number,
  height: number,
): Rect {
  return {
    left: Math.max(0, Math.floor(left - by)),
    top: Math.max(0, Math.floor(top - by)),
    right: Math.min(width, Math.ceil(right + by)),
    bottom: Math.min(height, Math.ceil(bottom + by)),
  };
}

/**
 * Lays the pieces of a line from point `from` on over a coverage plane.
 * @param crisp whether a hard brush takes whole pixels, as on pixel art, or has a soft pixel at its border
 * @returns what may have changed
 */
export function sweep(
  coverage: Float32Array,
  width: number,
  height: number,
  stroke: Pick<PlacedStroke, 'points' | 'sizePx' | 'hardness' | 'opacity'>,
  crisp: boolean,
  from = 0,
): Rect {
  const { points, opacity } = stroke;
  const count = Math.floor(points.length / 3);
  let rect = NO_RECT;
  // The first point is a piece of its own, however many come with it; then the pieces between the points.
  for (let k = from === 0 ? -1 : from - 1; k < count - 1; k++) {
    const a = 3 * Math.max(0, k);
    const b = 3 * (k + 1);
    const radius = stroke.sizePx / 2;
    const piece = grownRect(
      {
        left: Math.min(points[a], points[b]),
        top: Math.min(points[a + 1], points[b + 1]),
        right: Math.max(points[a], points[b]),
        bottom: Math.max(points[a + 1], points[b + 1]),
      },
      radius + 1,
      width,
      height,
    );
    const [ax, ay] = [points[a] - 0.5, points[a + 1] - 0.5];
    const dx = points[b] - points[a];
    const dy = points[b + 1] - points[a + 1];
    const squared = dx * dx + dy * dy;
    const pressureA = points[a + 2];
    const pressureBy = points[b + 2] - pressureA;
    for (let y = piece.top; y < piece.bottom; y++) {
      for (let x = piece.left; x < piece.right; x++) {
        const raw = squared === 0 ? 0 : ((x - ax) * dx + (y - ay) * dy) / squared;
        const t = raw < 0 ? 0 : raw > 1 ? 1 : raw;
        const ox = x - ax - t * dx;
        const oy = y - ay - t * dy;
        const share = brushAt(Math.sqrt(ox * ox + oy * oy), radius, stroke.hardness, crisp);
        if (share === 0) continue;
        const value = share * opacity * (pressureA + t * pressureBy);
        const i = y * width + x;
        if (value > coverage[i]) coverage[i] = value;
      }
    }
    rect = joinedRects(rect, piece);
  }
  return rect;
}

/** The brush at a distance from its middle. */
function brushAt(distance: number, radius: number, hardness: number, crisp: boolean): number {
  if (crisp && hardness >= 1) return distance <= radius + ON_BORDER_PX ? 1 : 0;
  // A hard border still takes a pixel to fall, so that it is not jagged.
  const full = Math.min(hardness * radius, radius - 0.5);
  const end = Math.max(radius, full + 1);
  if (distance <= full) return 1;
  return distance >= end ? 0 : 1 - smoothstep01((distance - full) / (end - full));
}

/** Covers the inside of a polygon. */
export function coverPolygon(
  coverage: Float32Array,
  width: number,
  height: number,
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
  const rect = grownRect(box, 0, width, height);
  for (let y = rect.top; y < rect.bottom; y++) {
    for (let x = rect.left; x < rect.right; x++) {
      if (isInside(edges, x + 0.5, y + 0.5)) coverage[y * width + x] = opacity;
    }
  }
  return rect;
}

/** Covers all pixels that a test takes. */
export function coverWhere(
  coverage: Float32Array,
  width: number,
  height: number,
  opacity: number,
  takes: (i: number) => boolean,
): Rect {
  let rect = NO_RECT;
  for (let y = 0, i = 0; y < height; y++) {
    let left = width;
    let right = -1;
    for (let x = 0; x < width; x++, i++) {
      if (!takes(i)) continue;
      coverage[i] = opacity;
      if (x < left) left = x;
      right = x;
    }
    if (right >= 0) rect = joinedRects(rect, { left, top: y, right: right + 1, bottom: y + 1 });
  }
  return rect;
}
