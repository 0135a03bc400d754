/** Changes to the outlines of occluders. */
import { distanceToSegment } from '@/core/geometry/outline';
import type { Occluder } from '@/core/scene/records/occluder';

type Outlines = Pick<Occluder, 'outlines' | 'smooth'>;

/** The outlines without one point; an outline of too few points goes, and null is none left. */
export function withoutPoint(
  { outlines, smooth }: Outlines,
  outline: number,
  point: number,
  fewest: number,
): Outlines | null {
  const rest = outlines[outline].filter((_, i) => i >> 1 !== point);
  if (rest.length < 2 * fewest) {
    const left = outlines.toSpliced(outline, 1);
    return left.length > 0 ? { outlines: left, smooth: smooth.toSpliced(outline, 1) } : null;
  }
  return {
    outlines: outlines.with(outline, rest),
    smooth: withNumbers(smooth, outline, (numbers) =>
      numbers.filter((i) => i !== point).map((i) => (i > point ? i - 1 : i)),
    ),
  };
}

/** The outlines with one more point on the side nearest to it, in the occluder's own px. */
export function withPoint({ outlines, smooth }: Outlines, closed: boolean, x: number, y: number): Outlines {
  let best = { away: Infinity, outline: 0, after: 0 };
  outlines.forEach((points, outline) => {
    const sides = closed ? points.length : points.length - 2;
    for (let i = 0; i < sides; i += 2) {
      const j = (i + 2) % points.length;
      const away = distanceToSegment(x, y, points[i], points[i + 1], points[j], points[j + 1]);
      if (away < best.away) best = { away, outline, after: i };
    }
  });
  const { outline, after } = best;
  return {
    outlines: outlines.with(outline, outlines[outline].toSpliced(after + 2, 0, x, y)),
    smooth: withNumbers(smooth, outline, (numbers) => numbers.map((i) => (i > after / 2 ? i + 1 : i))),
  };
}

/** The numbers of smooth points with those of one outline changed. */
function withNumbers(
  smooth: readonly number[][],
  outline: number,
  change: (numbers: number[]) => number[],
): number[][] {
  return Array.from({ length: Math.max(smooth.length, outline + 1) }, (_, i) =>
    i === outline ? change(smooth[i] ?? []) : (smooth[i] ?? []),
  );
}

/** A point made smooth, or a corner again. */
export function withSmooth({ outlines, smooth }: Outlines, outline: number, point: number): Outlines {
  return {
    outlines,
    smooth: withNumbers(smooth, outline, (numbers) =>
      numbers.includes(point)
        ? numbers.filter((i) => i !== point)
        : [...numbers, point].sort((a, b) => a - b),
    ),
  };
}

/** An outline cut at two of its points: a closed one becomes two, an open one is cut at the first. */
export function splitAt(
  { outlines, smooth }: Outlines,
  closed: boolean,
  outline: number,
  first: number,
  second: number,
): Outlines | null {
  const points = outlines[outline];
  const count = points.length / 2;
  const isSmooth = (i: number) => smooth[outline]?.includes(i) ?? false;
  const take = (from: number, to: number) => {
    const numbers = Array.from({ length: to - from + 1 }, (_, k) => (from + k) % count);
    return {
      points: numbers.flatMap((i) => [points[2 * i], points[2 * i + 1]]),
      smooth: numbers.flatMap((i, k) => (isSmooth(i) ? [k] : [])),
    };
  };
  const [low, high] = [Math.min(first, second), Math.max(first, second)];
  const parts = closed ? [take(low, high), take(high, low + count)] : [take(0, low), take(low, count - 1)];
  const fewest = closed ? 3 : 2;
  if (parts.some((part) => part.points.length < 2 * fewest)) return null;
  return {
    outlines: outlines.toSpliced(outline, 1, ...parts.map((part) => part.points)),
    smooth: outlines
      .map((_, i) => smooth[i] ?? [])
      .toSpliced(outline, 1, ...parts.map((part) => part.smooth)),
  };
}
