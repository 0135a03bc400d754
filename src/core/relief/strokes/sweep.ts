/**
 * How much of a drawn line lies on each pixel, 0 to 1. A line is swept, not stamped: a pixel takes the most that any
 * piece of the line gives it, so that a slow hand and a quick one paint the same, and opacity is that of the whole
 * stroke. On a sheet only that part of the line counts for a frame that lies in it; around the border of a seamless
 * tile the line goes on at the other side.
 */
import { smoothstep01 } from '../../geometry/exact';
import { commonRect, grownRect, isEmptyRect, joinedRects, NO_RECT, type Rect } from '../../raster/rect';
import type { Wrap } from '../../raster/wrap';
import type { PlacedStroke } from './stroke';

/** A pixel's centre on the border of a hard brush belongs to it. */
const ON_BORDER_PX = 1e-4;

export interface SweepGround {
  width: number;
  height: number;
  /** The frames of a sheet, or the whole. */
  frames: readonly Rect[];
  wrap: Wrap;
  /** A hard brush takes whole pixels on pixel art, and has a soft pixel at its border elsewhere. */
  pixelArt: boolean;
}

type Brush = Pick<PlacedStroke, 'points' | 'sizePx' | 'hardness' | 'opacity'>;

/** A piece of a line from (ax, ay) on, of which t from `from` to `to` counts. */
interface Piece {
  ax: number;
  ay: number;
  dx: number;
  dy: number;
  from: number;
  to: number;
  pressure: number;
  pressureBy: number;
}

/**
 * Lays the pieces of a line over a coverage plane.
 * @param from the number of points that were laid before
 * @returns what may have changed
 */
export function sweep(coverage: Float32Array, ground: SweepGround, stroke: Brush, from = 0): Rect {
  const count = Math.floor(stroke.points.length / 3);
  let rect = NO_RECT;
  // The first point is a piece of its own, however many come with it; then the pieces between the points.
  for (let k = from === 0 ? -1 : from - 1; k < count - 1; k++) {
    const piece = pieceBetween(stroke.points, Math.max(0, k), k + 1);
    for (const frame of ground.frames) {
      const own = ground.frames.length > 1 ? clipped(piece, frame) : piece;
      if (!own) continue;
      for (const [sx, sy] of shifts(ground.wrap, frame)) {
        const shifted = { ...own, ax: own.ax + sx, ay: own.ay + sy };
        rect = joinedRects(rect, layPiece(coverage, ground, frame, stroke, shifted));
      }
    }
  }
  return rect;
}

function pieceBetween(points: readonly number[], a: number, b: number): Piece {
  const [i, j] = [3 * a, 3 * b];
  return {
    ax: points[i],
    ay: points[i + 1],
    dx: points[j] - points[i],
    dy: points[j + 1] - points[i + 1],
    from: 0,
    to: 1,
    pressure: points[i + 2],
    pressureBy: points[j + 2] - points[i + 2],
  };
}

/** The part of a piece that lies in a frame, or null (Liang and Barsky 1984). */
function clipped(piece: Piece, { left, top, right, bottom }: Rect): Piece | null {
  let { from, to } = piece;
  const sides = [
    [-piece.dx, piece.ax - left],
    [piece.dx, right - piece.ax],
    [-piece.dy, piece.ay - top],
    [piece.dy, bottom - piece.ay],
  ];
  for (const [by, room] of sides) {
    if (by === 0) {
      if (room < 0) return null;
    } else if (by < 0) from = Math.max(from, room / by);
    else to = Math.min(to, room / by);
  }
  return from > to ? null : { ...piece, from, to };
}

/** Where a piece lies again around the border of a seamless tile. */
function shifts({ x, y }: Wrap, { left, top, right, bottom }: Rect): [number, number][] {
  const across = x ? [0, right - left, left - right] : [0];
  const down = y ? [0, bottom - top, top - bottom] : [0];
  return across.flatMap((sx) => down.map((sy): [number, number] => [sx, sy]));
}

function layPiece(
  coverage: Float32Array,
  { width, pixelArt }: SweepGround,
  frame: Rect,
  { sizePx, hardness, opacity }: Brush,
  { ax, ay, dx, dy, from, to, pressure, pressureBy }: Piece,
): Rect {
  const radius = sizePx / 2;
  const [x0, x1, y0, y1] = [ax + from * dx, ax + to * dx, ay + from * dy, ay + to * dy];
  const line = {
    left: Math.min(x0, x1),
    top: Math.min(y0, y1),
    right: Math.max(x0, x1),
    bottom: Math.max(y0, y1),
  };
  const rect = commonRect(grownRect(line, radius + 1), frame);
  if (isEmptyRect(rect)) return NO_RECT;
  const squared = dx * dx + dy * dy;
  for (let y = rect.top; y < rect.bottom; y++) {
    const py = y + 0.5 - ay;
    for (let x = rect.left; x < rect.right; x++) {
      const px = x + 0.5 - ax;
      const raw = squared === 0 ? from : (px * dx + py * dy) / squared;
      const t = raw < from ? from : raw > to ? to : raw;
      const ox = px - t * dx;
      const oy = py - t * dy;
      const share = brushAt(Math.sqrt(ox * ox + oy * oy), radius, hardness, pixelArt);
      if (share === 0) continue;
      const value = share * opacity * (pressure + t * pressureBy);
      const i = y * width + x;
      if (value > coverage[i]) coverage[i] = value;
    }
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
