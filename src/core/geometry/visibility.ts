/**
 * What a light sees: the region that segments leave open round a point, as a polygon.
 *
 * Along a direction d from the light a segment through a with the way e stands at the distance c / (d x e) times |d|,
 * c = a x e. One over that is linear in d, so what stands nearest in every direction is the upper envelope of linear
 * functions over the segments' angles. It is found by halves (after Hershberger 1989): envelopes of two halves are merged
 * by their angles, and between two neighbouring angles two segments cross once at most. Crossings of segments need not be
 * found before, and none that is hidden is ever looked at. O(n log n), but for the inverse Ackermann function.
 *
 * On which side of the light a segment passes is decided exactly (Shewchuk 1997). Angles are doubles: directions that lie
 * nearer to each other than rounding are taken for one, which no area shows.
 */
import { orient2d } from 'robust-predicates';
import { Breakpoints } from './breakpoints';

/** Bounds of the region: left, top, right, bottom. */
export type Bounds = readonly [minX: number, minY: number, maxX: number, maxY: number];

/** Two segments whose distances differ by less than this share touch: shared corners must not become crossings. */
const TOUCHING = 1e-12;

/** The segments that subtend an angle, seen from the light, with rising angle from a to b. */
interface Seen {
  count: number;
  /** Ends, counted from the light. */
  ax: Float64Array;
  ay: Float64Array;
  bx: Float64Array;
  by: Float64Array;
  /** One over the distance along d is nx dx + ny dy. */
  nx: Float64Array;
  ny: Float64Array;
}

/**
 * Arrays to work in. Whoever asks again and again keeps one: for a hundred segments making arrays takes as long as the
 * work.
 */
export class VisibilityScratch {
  pools: readonly [Breakpoints, Breakpoints] = [new Breakpoints(16), new Breakpoints(16)];
  columns: Float64Array[] = [];
  slotColumns: Int32Array[] = [];
  output = new Float64Array(0);

  reserve(count: number): void {
    if ((this.columns[0]?.length ?? 0) >= count) return;
    const most = 2 * count;
    this.pools = [new Breakpoints(4 * most), new Breakpoints(4 * most)];
    this.columns = Array.from({ length: 6 }, () => new Float64Array(most));
    this.slotColumns = Array.from({ length: 3 }, () => new Int32Array(most + 16));
  }
}

/**
 * The region of the bounds that is seen from (x, y).
 * @param segments x0, y0, x1, y1 of each, in any order; they may touch, cross, lie on each other or have no length.
 *   Segments that contain the light stop nothing, nor do those that point at it.
 * @param bounds the region is clipped to them; the light may stand outside
 * @returns x, y of its corners in angular order round the light (rising atan2); empty where nothing of the bounds is seen
 * @throws RangeError for numbers that are not finite, a length that is no multiple of 4, or bounds without area
 */
export function visiblePolygon(
  segments: Float64Array,
  x: number,
  y: number,
  bounds: Bounds,
  scratch = new VisibilityScratch(),
): Float64Array {
  check(segments, x, y);
  const [minX, minY, maxX, maxY] = bounds;
  if (!(minX < maxX && minY < maxY && bounds.every(Number.isFinite)))
    throw new RangeError(`bounds must be left, top, right, bottom with an area, got ${bounds.join(', ')}`);
  const isWithin = x > minX && x < maxX && y > minY && y < maxY;
  // From outside, or from the border, it is found in a larger frame and clipped.
  const room = isWithin ? 0 : 1 + Math.max(maxX - minX, maxY - minY);
  const frame: Bounds = isWithin
    ? bounds
    : [
        Math.min(x, minX) - room,
        Math.min(y, minY) - room,
        Math.max(x, maxX) + room,
        Math.max(y, maxY) + room,
      ];
  const seen = seenSegments(segments, x, y, frame, scratch);
  const envelope = nearest(seen, scratch);
  const polygon = corners(seen, envelope, x, y, frame, scratch);
  return isWithin ? polygon : clipped(polygon, bounds);
}

function check(segments: Float64Array, x: number, y: number): void {
  if (segments.length % 4 !== 0)
    throw new RangeError(`segments must hold x0, y0, x1, y1 in turn, got ${segments.length} numbers`);
  let sum = x + y;
  for (let i = 0; i < segments.length; i++) sum += segments[i];
  if (!Number.isFinite(sum)) throw new RangeError('a segment or the light has a place that is not finite');
}

/** Monotone in atan2, 0 to 4, without its cost. */
function pseudoAngle(dx: number, dy: number): number {
  if (dy >= 0) return dx >= 0 ? dy / (dx + dy) : 1 - dx / (dy - dx);
  return dx < 0 ? 2 - dy / (-dx - dy) : 3 + dx / (dx - dy);
}

function seenSegments(
  segments: Float64Array,
  x: number,
  y: number,
  frame: Bounds,
  scratch: VisibilityScratch,
): Seen {
  scratch.reserve(segments.length / 4 + 4);
  const [ax, ay, bx, by, nx, ny] = scratch.columns;
  const seen: Seen = { count: 0, ax, ay, bx, by, nx, ny };
  addSeen(seen, segments, x, y, frame);
  const [minX, minY, maxX, maxY] = frame;
  const sides = [
    minX,
    minY,
    maxX,
    minY,
    maxX,
    minY,
    maxX,
    maxY,
    maxX,
    maxY,
    minX,
    maxY,
    minX,
    maxY,
    minX,
    minY,
  ];
  addSeen(seen, Float64Array.from(sides), x, y, frame);
  return seen;
}

/** Adds the segments that reach into the frame and subtend an angle. */
function addSeen(seen: Seen, segments: Float64Array, x: number, y: number, frame: Bounds): void {
  const minX = frame[0];
  const minY = frame[1];
  const maxX = frame[2];
  const maxY = frame[3];
  for (let i = 0; i < segments.length; i += 4) {
    const ax = segments[i];
    const ay = segments[i + 1];
    const bx = segments[i + 2];
    const by = segments[i + 3];
    if ((ax < minX && bx < minX) || (ax > maxX && bx > maxX)) continue;
    if ((ay < minY && by < minY) || (ay > maxY && by > maxY)) continue;
    // The predicate is above zero where b lies clockwise of a, by rising y; here counterclockwise counts.
    const turn = -orient2d(x, y, ax, ay, bx, by);
    if (turn === 0) continue;
    const isTurned = turn < 0;
    const px = (isTurned ? bx : ax) - x;
    const py = (isTurned ? by : ay) - y;
    const qx = (isTurned ? ax : bx) - x;
    const qy = (isTurned ? ay : by) - y;
    const ex = isTurned ? ax - bx : bx - ax;
    const ey = isTurned ? ay - by : by - ay;
    // From the nearer end, where less is lost.
    const isNearP = Math.abs(px) + Math.abs(py) <= Math.abs(qx) + Math.abs(qy);
    const c = isNearP ? px * ey - py * ex : qx * ey - qy * ex;
    // So near to the light that rounding says otherwise than the exact side: nothing of it is seen.
    if (!(c > 0)) continue;
    const at = seen.count++;
    seen.ax[at] = px;
    seen.ay[at] = py;
    seen.bx[at] = qx;
    seen.by[at] = qy;
    seen.nx[at] = ey / c;
    seen.ny[at] = -ex / c;
  }
}

/** The envelope of all segments, as the whole of a list of breakpoints. */
function nearest(seen: Seen, scratch: VisibilityScratch): Breakpoints {
  const { count, ax, ay, bx, by } = seen;
  let [from, into] = scratch.pools;
  from.size = 0;
  from.reserve(4 * count + 16);
  let starts: number[] = [];
  const order = byAngle(seen, scratch);
  for (let i = 0; i < count; i++) {
    const s = order[i];
    const low = pseudoAngle(ax[s], ay[s]);
    const high = pseudoAngle(bx[s], by[s]);
    if (low < high) {
      // More than half a turn would be a segment of no angle that rounding turned round.
      if (high - low > 3) continue;
      starts.push(from.size);
      from.push(low, ax[s], ay[s], s);
      from.push(high, bx[s], by[s], -1);
    } else if (low - high > 1) {
      // It goes on beyond where angles begin anew.
      starts.push(from.size);
      if (high > 0) {
        from.push(0, 1, 0, s);
        from.push(high, bx[s], by[s], -1);
      }
      if (low < 4) {
        from.push(low, ax[s], ay[s], s);
        from.push(4, 1, 0, -1);
      }
      if (from.size === starts[starts.length - 1]) starts.pop();
    }
  }
  starts.push(from.size);
  while (starts.length > 2) {
    const next: number[] = [];
    into.size = 0;
    for (let k = 0; k + 1 < starts.length; k += 2) {
      next.push(into.size);
      const isLone = k + 2 >= starts.length;
      merge(from, starts[k], starts[k + 1], isLone ? starts[k + 1] : starts[k + 2], seen, into);
    }
    next.push(into.size);
    [from, into] = [into, from];
    starts = next;
  }
  return from;
}

/** Segments roughly by their angle, so that what hides each other meets early; the order changes no result. */
function byAngle({ count, ax, ay, bx, by }: Seen, { slotColumns }: VisibilityScratch): Int32Array {
  const slots = Math.max(16, count);
  const [heads, slotOf, order] = slotColumns;
  heads.fill(0, 0, slots + 1);
  for (let s = 0; s < count; s++) {
    const slot = Math.min(slots - 1, Math.floor((pseudoAngle(ax[s] + bx[s], ay[s] + by[s]) / 4) * slots));
    slotOf[s] = slot >= 0 ? slot : 0;
    heads[slotOf[s] + 1]++;
  }
  for (let i = 0; i < slots; i++) heads[i + 1] += heads[i];
  for (let s = 0; s < count; s++) order[heads[slotOf[s]]++] = s;
  return order;
}

/** Merges two neighbouring envelopes of a list, [a, b) and [b, end), into the other one. */
function merge(
  from: Breakpoints,
  a: number,
  b: number,
  end: number,
  { nx, ny }: Seen,
  into: Breakpoints,
): void {
  const { key, dx, dy, segment } = from;
  into.reserve(2 * (end - a) + 4);
  const { key: outKey, dx: outX, dy: outY, segment: outSegment } = into;
  let out = into.size;
  let last = -2;
  let i = a;
  let j = b;
  let s = -1;
  let t = -1;
  while (i < b || j < end) {
    const takesI = j >= end || (i < b && key[i] <= key[j]);
    const takesJ = i >= b || (j < end && key[j] <= key[i]);
    const at = takesI ? i : j;
    const k0 = key[at];
    const x0 = dx[at];
    const y0 = dy[at];
    if (takesI) s = segment[i++];
    if (takesJ) t = segment[j++];
    let first = s;
    let then = -2;
    let k1 = 0;
    let x1 = 0;
    let y1 = 0;
    if (s < 0) first = t;
    else if (t >= 0) {
      const to = j >= end || (i < b && key[i] <= key[j]) ? i : j;
      k1 = key[to];
      x1 = dx[to];
      y1 = dy[to];
      const s0 = nx[s] * x0 + ny[s] * y0;
      const t0 = nx[t] * x0 + ny[t] * y0;
      const s1 = nx[s] * x1 + ny[s] * y1;
      const t1 = nx[t] * x1 + ny[t] * y1;
      let d0 = s0 - t0;
      let d1 = s1 - t1;
      if (Math.abs(d0) <= TOUCHING * (Math.abs(s0) + Math.abs(t0))) d0 = 0;
      if (Math.abs(d1) <= TOUCHING * (Math.abs(s1) + Math.abs(t1))) d1 = 0;
      if (d0 >= 0 && d1 >= 0) first = s;
      else if (d0 <= 0 && d1 <= 0) first = t;
      else {
        // They cross between the two directions, where the difference is 0.
        const w0 = Math.abs(d1);
        const w1 = Math.abs(d0);
        const cx = x0 * w0 + x1 * w1;
        const cy = y0 * w0 + y1 * w1;
        const size = Math.max(Math.abs(cx), Math.abs(cy));
        const k = size > 0 ? pseudoAngle(cx / size, cy / size) : k0;
        first = d0 > 0 ? s : t;
        if (k > k0 && k < k1) {
          then = d0 > 0 ? t : s;
          k1 = k;
          x1 = cx / size;
          y1 = cy / size;
        } else if (w1 < w0) first = first === s ? t : s;
      }
    }
    if (first !== last) {
      outKey[out] = k0;
      outX[out] = x0;
      outY[out] = y0;
      outSegment[out++] = first;
      last = first;
    }
    if (then !== -2) {
      outKey[out] = k1;
      outX[out] = x1;
      outY[out] = y1;
      outSegment[out++] = then;
      last = then;
    }
  }
  into.size = out;
}

/** The corners of the region: both ends of what is nearest in each span of angles. */
function corners(
  seen: Seen,
  envelope: Breakpoints,
  x: number,
  y: number,
  frame: Bounds,
  scratch: VisibilityScratch,
): Float64Array {
  const { ax, ay, bx, by, nx, ny } = seen;
  const { key, dx, dy, segment, size } = envelope;
  if (scratch.output.length < 4 * size) scratch.output = new Float64Array(8 * size);
  const out = scratch.output;
  let count = 0;
  const put = (px: number, py: number) => {
    // Rounding must not push a corner out of the frame.
    const cx = Math.min(frame[2], Math.max(frame[0], px));
    const cy = Math.min(frame[3], Math.max(frame[1], py));
    if (count > 0 && out[count - 2] === cx && out[count - 1] === cy) return;
    out[count++] = cx;
    out[count++] = cy;
  };
  const end = (s: number, i: number) => {
    if (dx[i] === ax[s] && dy[i] === ay[s]) return put(x + ax[s], y + ay[s]);
    if (dx[i] === bx[s] && dy[i] === by[s]) return put(x + bx[s], y + by[s]);
    const away = 1 / (nx[s] * dx[i] + ny[s] * dy[i]);
    put(x + dx[i] * away, y + dy[i] * away);
  };
  for (let i = 0; i + 1 < size; i++) {
    if (segment[i] < 0 || key[i + 1] <= key[i]) continue;
    end(segment[i], i);
    end(segment[i], i + 1);
  }
  const isSame = count >= 4 && out[0] === out[count - 2] && out[1] === out[count - 1];
  if (isSame) count -= 2;
  // One segment before and after where angles begin anew: that place is no corner.
  const isCut = isSame && segment[0] >= 0 && segment[0] === segment[size - 2] && dy[0] === 0 && dx[0] === 1;
  return out.slice(isCut ? 2 : 0, count);
}

/** A polygon cut to bounds, one side after the other (Sutherland and Hodgman 1974). */
function clipped(polygon: Float64Array, [minX, minY, maxX, maxY]: Bounds): Float64Array {
  let points: number[] = [...polygon];
  const cut = (axis: 0 | 1, limit: number, sign: 1 | -1) => {
    const kept: number[] = [];
    for (let i = 0; i < points.length; i += 2) {
      const j = (i + 2) % points.length;
      const from = sign * (points[i + axis] - limit);
      const to = sign * (points[j + axis] - limit);
      if (from >= 0) kept.push(points[i], points[i + 1]);
      if (from > 0 ? to < 0 : from < 0 && to > 0) {
        const share = from / (from - to);
        const at = [
          points[i] + (points[j] - points[i]) * share,
          points[i + 1] + (points[j + 1] - points[i + 1]) * share,
        ];
        at[axis] = limit;
        kept.push(at[0], at[1]);
      }
    }
    points = kept;
  };
  cut(0, minX, 1);
  cut(0, maxX, -1);
  cut(1, minY, 1);
  cut(1, maxY, -1);
  return Float64Array.from(points.length >= 6 ? points : []);
}
