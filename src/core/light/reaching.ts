/**
 * Which occluders, and which of their edges, can stand between a light and the points of a box: what lies outside the region
 * that is swept from the box to all of the light cannot. It is conservative, and so leaves every point of the box its bits.
 */
import type { Box } from '../geometry/affine';
import { boxOfEdges } from '../geometry/outline';
import { hullOf, meetsHull, type Hull } from '../geometry/hull';
import type { EdgePiece, MomentLight, MomentOccluder, MomentSource } from '../moment/moment';
import { sourceFor } from './shadow';

/** Boxes are taken larger by this, so that rounding passes nothing over. */
const MARGIN_PX = 0.05;

/** Finds occluders for one box and one light. */
export class Reaching {
  /** By the source: light with a stature comes over the ground. */
  private readonly hulls = new Map<MomentSource, Hull>();

  /**
   * @param box the points, scene px
   * @param farPx how far parallel light is followed: beyond all occluders
   */
  constructor(
    private readonly light: MomentLight,
    private readonly box: Box,
    private readonly farPx: number,
  ) {}

  /** An occluder with the edges that can matter alone; null where none can. */
  narrowed(occluder: MomentOccluder): MomentOccluder | null {
    const source = sourceFor(this.light, occluder);
    if (!source.parallel && !overlaps(occluder.box, this.boxTo(source))) return null;
    const hull = this.hullFor(source);
    if (occluder.inner.length > 0 && overlaps(occluder.box, this.box)) return occluder;
    const pieces = occluder.pieces.flatMap((piece) => narrowedPiece(piece, hull) ?? []);
    return pieces.length === 0 ? null : { ...occluder, pieces, inner: [] };
  }

  /** What holds the box and the light: looked at before a hull is made. */
  private boxTo({ x, y }: { x: number; y: number }): Box {
    const by = this.light.size + MARGIN_PX;
    const { left, top, right, bottom } = this.box;
    return {
      left: Math.min(left, x) - by,
      top: Math.min(top, y) - by,
      right: Math.max(right, x) + by,
      bottom: Math.max(bottom, y) + by,
    };
  }

  private hullFor(source: MomentSource): Hull {
    let hull = this.hulls.get(source);
    if (!hull) this.hulls.set(source, (hull = this.sweptTo(source)));
    return hull;
  }

  private sweptTo(source: MomentSource): Hull {
    const { size } = this.light;
    const corners = cornersOf(this.box, MARGIN_PX);
    if (!source.parallel) {
      const { x, y } = source;
      const own = { left: x, top: y, right: x, bottom: y };
      return hullOf([...corners, ...cornersOf(own, size + MARGIN_PX)]);
    }
    const { farPx } = this;
    const length = Math.sqrt(source.x * source.x + source.y * source.y);
    if (length === 0) return hullOf(corners);
    const [dx, dy] = [(source.x / length) * farPx, (source.y / length) * farPx];
    // A parallel source is wide by a tangent: the way widens as it goes.
    const ends = [-size, size].flatMap((wide) =>
      pointsOf(corners).map(([x, y]): [number, number] => [x + dx - dy * wide, y + dy + dx * wide]),
    );
    return hullOf([...corners, ...ends.flat()]);
  }
}

function narrowedPiece(piece: EdgePiece, hull: Hull): EdgePiece | null {
  const { edges, box } = piece;
  if (!overlaps(box, hull.box)) return null;
  const kept: number[] = [];
  for (let i = 0; i < edges.length; i += 4)
    if (meetsHull(hull, edges[i], edges[i + 1], edges[i + 2], edges[i + 3])) kept.push(i);
  if (kept.length === 0) return null;
  if (4 * kept.length === edges.length) return piece;
  const own = new Float64Array(4 * kept.length);
  kept.forEach((from, k) => own.set(edges.subarray(from, from + 4), 4 * k));
  return { edges: own, box: boxOfEdges(own) };
}

function cornersOf({ left, top, right, bottom }: Box, by: number): number[] {
  const [l, t, r, b] = [left - by, top - by, right + by, bottom + by];
  return [l, t, r, t, r, b, l, b];
}

function pointsOf(flat: readonly number[]): [number, number][] {
  return Array.from({ length: flat.length / 2 }, (_, i) => [flat[2 * i], flat[2 * i + 1]]);
}

/** Whether two boxes have a point in common. */
export function overlaps(a: Box, b: Box): boolean {
  return a.left <= b.right && b.left <= a.right && a.top <= b.bottom && b.top <= a.bottom;
}
