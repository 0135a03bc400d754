/**
 * A value over the twenty-four hours, through points that hold it: smooth between them, as far as no point says that it is
 * held until the next one. Closed over midnight; O(points) for each value asked.
 */
import { monotoneAt, monotoneCubic, type MonotoneCubic } from '../geometry/monotone';
import { DAY_HOURS, wrapHours } from './periodic';

export interface DayPoint {
  /** 0 up to, but not including, 24. */
  hours: number;
  value: number;
  /** The value stays as it is until the next point, and jumps there. */
  isHeld: boolean;
}

/** A piece of the day: from an hour on, counted on beyond 24 where it goes over midnight. */
interface Piece {
  from: number;
  to: number;
  cubic: MonotoneCubic;
}

/** @param points by their hours, no two at one, at least one */
export function dayCurve(points: readonly DayPoint[]): (clockHours: number) => number {
  const hours = points.map((point) => point.hours);
  const values = points.map((point) => point.value);
  const firstHeld = points.findIndex(({ isHeld }) => isHeld);
  if (firstHeld < 0 || points.length === 1) {
    const cubic = monotoneCubic(hours, values, DAY_HOURS);
    return (clockHours) => monotoneAt(cubic, wrapHours(clockHours));
  }
  const pieces = smoothPieces(points, firstHeld);
  return (clockHours) => {
    const at = wrapHours(clockHours);
    for (const { from, to, cubic } of pieces)
      for (const turn of [at, at + DAY_HOURS]) if (turn >= from && turn < to) return monotoneAt(cubic, turn);
    return valueHeld(points, at);
  };
}

/** The runs of points between which a value runs smoothly, each a cubic by itself. */
function smoothPieces(points: readonly DayPoint[], firstHeld: number): Piece[] {
  const n = points.length;
  const pieces: Piece[] = [];
  let at: number[] = [];
  let values: number[] = [];
  const close = () => {
    if (at.length > 1) pieces.push({ from: at[0], to: at.at(-1)!, cubic: monotoneCubic(at, values) });
    at = [];
    values = [];
  };
  // Once round, beginning after a point that holds its value.
  for (let step = 1; step <= n; step++) {
    const place = firstHeld + step;
    const { hours, value, isHeld } = points[place % n];
    at.push(hours + (place >= n ? DAY_HOURS : 0));
    values.push(value);
    if (isHeld) close();
  }
  return pieces.map((piece) =>
    piece.from >= DAY_HOURS ? { ...piece, ...earlier(piece, DAY_HOURS) } : piece,
  );
}

/** A piece that lies wholly on the next day, brought to this one. */
function earlier({ from, to, cubic }: Piece, by: number): Piece {
  return { from: from - by, to: to - by, cubic: { ...cubic, at: Array.from(cubic.at, (v) => v - by) } };
}

/** The value of the last point at or before an hour; before the first one that of the day before. */
function valueHeld(points: readonly DayPoint[], at: number): number {
  let value = points.at(-1)!.value;
  for (const point of points) {
    if (point.hours > at) break;
    ({ value } = point);
  }
  return value;
}
