/**
 * Slopes of a height field. They never reach across the silhouette: they are one-sided there; where the art is a
 * seamless tile they go on around its border. Pixel art: central differences; painted art: the rotation-invariant
 * kernel 3, 10, 3 of Scharr (2000), row by row, rows whose centre is outside dropped and the weights made whole.
 */
import type { Rect } from '../raster/rect';
import type { Wrap } from '../raster/wrap';

export interface HeightField {
  width: number;
  height: number;
  /** px of the art. */
  heights: Float32Array;
  inside: Uint8Array;
  /** The frames of a sheet, or the whole: each ends at its own border, or wraps around it. */
  frames: readonly Rect[];
  wrap: Wrap;
  pixelArt: boolean;
}

/** Called for each inside pixel with the slopes to the right and downward. */
export type SlopeVisit = (i: number, across: number, down: number) => void;

export function eachSlope(field: HeightField, rect: Rect, visit: SlopeVisit): void {
  for (const frame of field.frames) slopesWithin(field, frame, rect, visit);
}

function slopesWithin(field: HeightField, frame: Rect, rect: Rect, visit: SlopeVisit): void {
  const { width, inside, heights: h, pixelArt } = field;
  const edges = new EdgeSlopes(field, frame);
  const left = Math.max(rect.left, frame.left);
  const right = Math.min(rect.right, frame.right);
  const bottom = Math.min(rect.bottom, frame.bottom);
  for (let y = Math.max(rect.top, frame.top); y < bottom; y++) {
    const isRowInner = y > frame.top && y < frame.bottom - 1;
    for (let x = left, i = y * width + left; x < right; x++, i++) {
      if (!inside[i]) continue;
      const above = i - width;
      const below = i + width;
      const isInner =
        isRowInner &&
        x > frame.left &&
        x < frame.right - 1 &&
        (inside[i - 1] &
          inside[i + 1] &
          inside[above] &
          inside[below] &
          inside[above - 1] &
          inside[above + 1] &
          inside[below - 1] &
          inside[below + 1]) ===
          1;
      if (!isInner) visit(i, edges.along(x, y, 1, 0), edges.along(x, y, 0, 1));
      else if (pixelArt) visit(i, (h[i + 1] - h[i - 1]) / 2, (h[below] - h[above]) / 2);
      else {
        const falling = h[below + 1] - h[above - 1];
        const rising = h[above + 1] - h[below - 1];
        visit(
          i,
          (10 * (h[i + 1] - h[i - 1]) + 3 * (falling + rising)) / 32,
          (10 * (h[below] - h[above]) + 3 * (falling - rising)) / 32,
        );
      }
    }
  }
}

/** Slopes where a neighbour is missing. */
class EdgeSlopes {
  constructor(
    private readonly field: HeightField,
    private readonly frame: Rect,
  ) {}

  /** The slope along (sx, sy), weighted over the lines beside it on painted art. */
  along(x: number, y: number, sx: number, sy: number): number {
    const own = this.line(x, y, sx, sy);
    if (this.field.pixelArt) return own;
    let sum = 10 * own;
    let weights = 10;
    for (let side = -1; side <= 1; side += 2) {
      const bx = x + side * sy;
      const by = y + side * sx;
      if (this.index(bx, by) < 0) continue;
      sum += 3 * this.line(bx, by, sx, sy);
      weights += 3;
    }
    return sum / weights;
  }

  /** The difference on one line: centred where both neighbours are inside, else to the one that is. */
  private line(x: number, y: number, sx: number, sy: number): number {
    const { heights } = this.field;
    const before = this.index(x - sx, y - sy);
    const after = this.index(x + sx, y + sy);
    if (before >= 0 && after >= 0) return (heights[after] - heights[before]) / 2;
    const here = heights[this.index(x, y)];
    if (after >= 0) return heights[after] - here;
    return before >= 0 ? here - heights[before] : 0;
  }

  /** The index of a pixel, around the border of a seamless tile; -1 where it is outside. */
  private index(x: number, y: number): number {
    const { width, inside, wrap } = this.field;
    const { left, top, right, bottom } = this.frame;
    let cx = x;
    let cy = y;
    if (cx < left || cx >= right) {
      if (!wrap.x) return -1;
      cx = cx < left ? cx + right - left : cx - right + left;
    }
    if (cy < top || cy >= bottom) {
      if (!wrap.y) return -1;
      cy = cy < top ? cy + bottom - top : cy - bottom + top;
    }
    const i = cy * width + cx;
    return inside[i] ? i : -1;
  }
}
