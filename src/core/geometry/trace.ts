/**
 * Outlines of a mask along its pixel edges. Every border edge is walked once with the inside on the left, as
 * seen (y down); at a corner where two inside pixels touch diagonally the walk turns left, so that they stay apart
 * and no outline crosses itself. Cost: one pass over the pixels and one over the border.
 */
import { simplifyOutline } from './outline';

/** Directions right, down, left, up; the inside pixel of an edge from corner (x, y) lies to its left. */
const STEP_X = [1, 0, -1, 0];
const STEP_Y = [0, 1, 0, -1];

/**
 * @param alpha width * height coverage values, 0 to 255, row by row
 * @param threshold a pixel at or above it is inside
 * @param tolerancePx how far the simplified outline may stray from the pixel edges; 0 keeps every corner
 * @returns closed outlines in px, outer ones with the interior on the left and holes the other way
 */
export function traceAlpha(
  alpha: Uint8Array,
  width: number,
  height: number,
  threshold: number,
  tolerancePx: number,
): number[][] {
  if (alpha.length !== width * height) {
    throw new RangeError(`expected ${width * height} values for ${width}x${height}, got ${alpha.length}`);
  }
  const inside = (x: number, y: number) =>
    x >= 0 && y >= 0 && x < width && y < height && alpha[y * width + x] >= threshold;
  /** One bit a direction for each lattice corner: an edge leaves this corner that way and was not walked yet. */
  const open = new Uint8Array((width + 1) * (height + 1));
  const starts: number[] = [];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (!inside(x, y)) continue;
      const corner = y * (width + 1) + x;
      if (!inside(x, y + 1)) mark(open, starts, corner + width + 1, 0);
      if (!inside(x - 1, y)) mark(open, starts, corner, 1);
      if (!inside(x, y - 1)) mark(open, starts, corner + 1, 2);
      if (!inside(x + 1, y)) mark(open, starts, corner + width + 2, 3);
    }
  }
  const outlines: number[][] = [];
  for (const start of starts) {
    const corner = start >> 2;
    const direction = start & 3;
    if ((open[corner] & (1 << direction)) === 0) continue;
    const outline = simplifyOutline(walk(open, width, corner, direction), tolerancePx);
    if (outline.length >= 6) outlines.push(outline);
  }
  return outlines;
}

function mark(open: Uint8Array, starts: number[], corner: number, direction: number): void {
  open[corner] |= 1 << direction;
  starts.push((corner << 2) | direction);
}

function walk(open: Uint8Array, width: number, startCorner: number, startDirection: number): number[] {
  const points: number[] = [];
  let corner = startCorner;
  let direction = startDirection;
  for (;;) {
    open[corner] &= ~(1 << direction);
    corner += STEP_X[direction] + STEP_Y[direction] * (width + 1);
    const closes = (d: number) => corner === startCorner && d === startDirection;
    // Left first keeps diagonal neighbours apart, then straight on, then right.
    const next = [(direction + 3) & 3, direction, (direction + 1) & 3].find(
      (d) => closes(d) || (open[corner] & (1 << d)) !== 0,
    )!;
    if (next !== direction) points.push(corner % (width + 1), Math.floor(corner / (width + 1)));
    if (closes(next)) break;
    direction = next;
  }
  return points;
}
