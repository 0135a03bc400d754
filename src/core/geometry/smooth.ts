/**
 * Outlines with smooth points as plain ones. Between two points runs a cubic whose direction at a smooth point is that
 * from its neighbour before to its neighbour after (Catmull and Rom 1974), cut into straight pieces.
 */

/** How far, at the most, the straight pieces of a curve lie from each other's ends, px. */
const PIECE_PX = 2;
const MOST_PIECES = 32;

/**
 * @param points flat [x0, y0, x1, y1, ...]
 * @param smooth numbers of the smooth points
 * @param closed whether the last point leads back to the first
 */
export function flattened(points: readonly number[], smooth: readonly number[], closed: boolean): number[] {
  const count = points.length / 2;
  if (smooth.length === 0 || count < 3) return [...points];
  const isSmooth = new Uint8Array(count);
  for (const i of smooth) if (i < count && (closed || (i > 0 && i < count - 1))) isSmooth[i] = 1;
  const at = (i: number): [number, number] => {
    const k = (i + count) % count;
    return [points[2 * k], points[2 * k + 1]];
  };
  const out: number[] = [];
  const sides = closed ? count : count - 1;
  for (let i = 0; i < sides; i++) {
    const [ax, ay] = at(i);
    const [bx, by] = at(i + 1);
    out.push(ax, ay);
    const [from, to] = [isSmooth[i], isSmooth[(i + 1) % count]];
    if (!from && !to) continue;
    const [px, py] = at(i - 1);
    const [qx, qy] = at(i + 2);
    const [ux, uy] = from ? [(bx - px) / 2, (by - py) / 2] : [0, 0];
    const [vx, vy] = to ? [(qx - ax) / 2, (qy - ay) / 2] : [0, 0];
    const length = Math.sqrt((bx - ax) * (bx - ax) + (by - ay) * (by - ay));
    const pieces = Math.min(MOST_PIECES, Math.max(2, Math.ceil(length / PIECE_PX)));
    for (let k = 1; k < pieces; k++) {
      const t = k / pieces;
      const [h00, h10] = [(1 + 2 * t) * (1 - t) * (1 - t), t * (1 - t) * (1 - t)];
      const [h01, h11] = [t * t * (3 - 2 * t), t * t * (t - 1)];
      out.push(h00 * ax + h10 * ux + h01 * bx + h11 * vx, h00 * ay + h10 * uy + h01 * by + h11 * vy);
    }
  }
  if (!closed) out.push(...at(count - 1));
  return out;
}

/** All outlines of a record with their smooth points flattened. */
export function flattenedOutlines(
  outlines: readonly number[][],
  smooth: readonly number[][],
  closed: boolean,
): number[][] {
  return outlines.map((points, i) => flattened(points, smooth[i] ?? [], closed));
}
