/**
 * Closed outlines made sound, joined, cut and drawn in, on whole steps of a px by Clipper (Angus Johnson): integer
 * arithmetic decides on which side of a line a point lies, so that no outline is too close to itself to be read. Points
 * that were given come back as they were given; only crossings lie on steps. This is the one place that does so.
 */
import clipperLib, { type IntPoint, type Path } from 'clipper-lib';
import { orient2d } from 'robust-predicates';
import { InputFault } from '../faults';
import { signedArea2, type Outline } from './outline';

/** Steps a px: finer than any edge is drawn, and exact in sums. A power of two, so that whole px stay whole. */
const STEPS_PER_PX = 1024;

/** The points that were given, by their steps. */
class GivenPoints {
  private readonly byStep = new Map<string, readonly [number, number]>();

  path(points: Outline): Path {
    if (points.length % 2 !== 0)
      throw new InputFault(`An outline has ${points.length} numbers; x and y come in pairs.`);
    const path: Path = [];
    for (let i = 0; i < points.length; i += 2) {
      const [px, py] = [points[i], points[i + 1]];
      if (!Number.isFinite(px) || !Number.isFinite(py))
        throw new InputFault(`An outline has a point at ${px}, ${py}; both must be numbers.`);
      const [x, y] = [Math.round(px * STEPS_PER_PX), Math.round(py * STEPS_PER_PX)];
      const key = `${x} ${y}`;
      if (!this.byStep.has(key)) this.byStep.set(key, [px, py]);
      path.push({ X: x, Y: y });
    }
    return path;
  }

  paths(outlines: readonly Outline[]): Path[] {
    return outlines.filter((points) => points.length >= 6).map((points) => this.path(points));
  }

  /** The library's outer rings have their interior on the right as seen; ours have it on the left. */
  outline(ring: Path): number[] {
    const out: number[] = [];
    const path = withoutStraightPoints(ring);
    for (let i = path.length - 1; i >= 0; i--) {
      const { X: x, Y: y } = path[i];
      const given = this.byStep.get(`${x} ${y}`);
      if (given) out.push(given[0], given[1]);
      else out.push(x / STEPS_PER_PX, y / STEPS_PER_PX);
    }
    return out;
  }

  outlines(paths: Path[]): number[][] {
    return paths.map((path) => this.outline(path)).filter((points) => points.length >= 6);
  }
}

/** A ring without the points that lie on the way between their neighbours. */
function withoutStraightPoints(ring: Path): Path {
  const kept: Path = [];
  const isStraight = (a: IntPoint, b: IntPoint, c: IntPoint) => orient2d(a.X, a.Y, b.X, b.Y, c.X, c.Y) === 0;
  for (const point of ring) {
    while (kept.length > 1 && isStraight(kept[kept.length - 2], kept[kept.length - 1], point)) kept.pop();
    kept.push(point);
  }
  // Around the point where the ring begins.
  while (kept.length > 2 && isStraight(kept[kept.length - 2], kept[kept.length - 1], kept[0])) kept.pop();
  while (kept.length > 2 && isStraight(kept[kept.length - 1], kept[0], kept[1])) kept.shift();
  return kept;
}

const { Clipper, ClipperOffset, ClipType, EndType, JoinType, PolyFillType, PolyType } = clipperLib;

function combined(type: number, subjects: Path[], clips: Path[], rule: number): Path[] {
  if (subjects.length === 0) return [];
  const clipper = new Clipper();
  clipper.StrictlySimple = true;
  clipper.AddPaths(subjects, PolyType.ptSubject, true);
  if (clips.length > 0) clipper.AddPaths(clips, PolyType.ptClip, true);
  const solution: Path[] = [];
  clipper.Execute(type, solution, rule, rule);
  return solution.map((ring) => (isTurnedRightly(ring, solution) ? ring : ring.toReversed()));
}

/** How far beside an edge its sides are asked about, steps. */
const BESIDE = 0.5;

/**
 * Whether a ring has its inside on the left of its edges, in axes of x right, y up, as the library's outer rings do. Where
 * rings touch in many points the library gets some of them wrong; which places are inside it always gets right. Asked beside
 * the middles of edges, the longest first, until one has the inside on one side alone.
 */
function isTurnedRightly(ring: Path, all: readonly Path[]): boolean {
  const isInside = (x: number, y: number) =>
    all.reduce((inside, other) => inside !== encloses(other, x, y), false);
  const edges = ring.map((a, i) => [a, ring[(i + 1) % ring.length]] as const);
  const lengthOf = ([a, b]: (typeof edges)[number]) => Math.abs(b.X - a.X) + Math.abs(b.Y - a.Y);
  for (const [a, b] of edges.sort((p, q) => lengthOf(q) - lengthOf(p))) {
    const [dx, dy] = [b.X - a.X, b.Y - a.Y];
    const beside = BESIDE / Math.sqrt(dx * dx + dy * dy);
    const [x, y] = [(a.X + b.X) / 2, (a.Y + b.Y) / 2];
    const left = isInside(x - dy * beside, y + dx * beside);
    const right = isInside(x + dy * beside, y - dx * beside);
    if (left !== right) return left;
  }
  return true;
}

/** By the even-odd rule, half open. */
function encloses(ring: Path, x: number, y: number): boolean {
  let inside = false;
  for (let i = 0; i < ring.length; i++) {
    const [a, b] = [ring[i], ring[(i + 1) % ring.length]];
    if (a.Y <= y === b.Y <= y) continue;
    if (orient2d(a.X, a.Y, b.X, b.Y, x, y) > 0 === b.Y > a.Y) inside = !inside;
  }
  return inside;
}

/**
 * Closed outlines made sound: read by the even-odd rule together, crossings split, touching points joined, repeated and
 * collinear points dropped. Outlines of fewer than three points or without area vanish. O(n log n) but for crossings.
 * @param outlines flat points [x0, y0, x1, y1, ...] each, px
 * @returns outlines with their interior on the left, as seen; holes run the other way
 * @throws InputFault for points that are not pairs of finite numbers
 */
export function normaliseOutlines(outlines: readonly Outline[]): number[][] {
  const given = new GivenPoints();
  outlines.forEach((points) => checkPairs(points));
  return given.outlines(combined(ClipType.ctUnion, given.paths(outlines), [], PolyFillType.pftEvenOdd));
}

/** One area of several: what lies in any of them, each read by the even-odd rule by itself. */
export function unitedOutlines(areas: readonly (readonly Outline[])[]): number[][] {
  const given = new GivenPoints();
  const sound = areas.flatMap((area) =>
    combined(ClipType.ctUnion, given.paths(area), [], PolyFillType.pftEvenOdd),
  );
  return given.outlines(combined(ClipType.ctUnion, sound, [], PolyFillType.pftNonZero));
}

/** Closed outlines made sound, and what lies beyond a rectangle cut off. */
export function outlinesWithin(
  outlines: readonly Outline[],
  left: number,
  top: number,
  right: number,
  bottom: number,
): number[][] {
  const given = new GivenPoints();
  const frame = given.path([left, top, right, top, right, bottom, left, bottom]);
  return given.outlines(
    combined(ClipType.ctIntersection, given.paths(outlines), [frame], PolyFillType.pftEvenOdd),
  );
}

/** Corners of what is drawn in are kept sharp up to this many times the distance. */
const SHARPEST_CORNER = 2;

/**
 * Sound outlines drawn in.
 * @param px how far on every side
 * @returns outlines with their interior on the left; none where nothing is left
 */
export function insetOutlines(outlines: readonly Outline[], px: number): number[][] {
  const given = new GivenPoints();
  const offset = new ClipperOffset(SHARPEST_CORNER);
  // The library takes rings the other way round for outer ones.
  const paths = given.paths(outlines).map((path) => path.toReversed());
  offset.AddPaths(paths, JoinType.jtMiter, EndType.etClosedPolygon);
  const solution: Path[] = [];
  offset.Execute(solution, -px * STEPS_PER_PX);
  return given.outlines(solution);
}

/** The whole area of sound outlines, square px; what holes cut out does not count. */
export function areaOfSound(outlines: readonly Outline[]): number {
  return outlines.reduce((sum, points) => sum - signedArea2(points) / 2, 0);
}

function checkPairs(points: Outline): void {
  if (points.length % 2 !== 0)
    throw new InputFault(`An outline has ${points.length} numbers; x and y come in pairs.`);
}
