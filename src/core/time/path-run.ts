/** Going along a path: where on it something is at a second, whether it goes to the left, and how much of it is there. */
import { flattened } from '../geometry/smooth';
import { Remembered } from '../remembered';

export const PATH_ENDS = ['closed', 'back', 'appear'] as const;
export const PATH_EASINGS = ['even', 'eased'] as const;

/** The fields of a path; see core/scene/records/motion.ts. */
export interface PathFields {
  /** Flat points [x0, y0, ...], px from where the thing stands at rest. */
  points: readonly number[];
  smooth: readonly number[];
  speedPx: number;
  easing: (typeof PATH_EASINGS)[number];
  ends: (typeof PATH_ENDS)[number];
  /** Of one that goes evenly: how long it rests at each of its points; those beyond the list do not count. */
  restSeconds: readonly number[];
  pauseSeconds: number;
  fadeSeconds: number;
  phaseSeconds: number;
}

/** A path as straight pieces, with the way from its beginning to each of its points. */
interface Ruled {
  points: readonly number[];
  /** px; the last one is the length of it all. */
  upTo: Float64Array;
  /** Whether it faces left on each piece, going there and going back: straight up and down as it faced before. */
  facesLeft: readonly boolean[];
  facesLeftBack: readonly boolean[];
  rests: readonly Rest[];
}

interface Rest {
  /** On the way, px. */
  at: number;
  seconds: number;
}

export interface PathPlace {
  /** From where the thing stands at rest, px. */
  x: number;
  y: number;
  goesLeft: boolean;
  /** 0 is away, 1 all there. */
  presence: number;
}

/** Rules paths, and keeps them while they are the same. */
export class PathRuler {
  private readonly ruled = new Remembered<PathFields, Ruled>();

  /** After how many seconds it is where it was, on the same way; 0 for a way of no length. */
  roundSeconds(path: PathFields): number {
    return roundOf(
      path,
      this.ruled.recall(path, [], () => rule(path)),
    ).round;
  }

  /** @param seconds of the scene */
  place(path: PathFields, seconds: number): PathPlace {
    const ruled = this.ruled.recall(path, [], () => rule(path));
    const { points, upTo, facesLeft, facesLeftBack } = ruled;
    const { at, isResting, isBack, presence } = runOf(path, ruled, seconds + path.phaseSeconds);
    let i = 0;
    // At rest it still faces the way that it came.
    const isBeyond = (end: number) => (isResting && !isBack ? end < at : end <= at);
    while (i < upTo.length - 2 && isBeyond(upTo[i + 1])) i++;
    const side = upTo[i + 1] - upTo[i];
    const t = side > 0 ? (at - upTo[i]) / side : 0;
    const [ax, ay, bx, by] = [points[2 * i], points[2 * i + 1], points[2 * i + 2], points[2 * i + 3]];
    return {
      x: ax + (bx - ax) * t,
      y: ay + (by - ay) * t,
      goesLeft: isBack ? facesLeftBack[i] : facesLeft[i],
      presence,
    };
  }
}

function rule(path: PathFields): Ruled {
  const { points, smooth, ends } = path;
  const isClosed = ends === 'closed';
  const flat = flattened(points, smooth, isClosed);
  if (isClosed) flat.push(flat[0], flat[1]);
  const upTo = new Float64Array(flat.length / 2);
  const across: number[] = [];
  for (let i = 1; i < upTo.length; i++) {
    const [dx, dy] = [flat[2 * i] - flat[2 * i - 2], flat[2 * i + 1] - flat[2 * i - 1]];
    upTo[i] = upTo[i - 1] + Math.sqrt(dx * dx + dy * dy);
    across.push(dx);
  }
  return {
    points: flat,
    upTo,
    facesLeft: facing(across, isClosed),
    facesLeftBack: facing(across.map((dx) => -dx).reverse(), false).reverse(),
    rests: restsOf(path, flat, upTo),
  };
}

/** @param across how far each piece goes to the right, in the order in which they are gone along */
function facing(across: readonly number[], isRound: boolean): boolean[] {
  let isLeft = isRound && (across.findLast((dx) => dx !== 0) ?? 0) < 0;
  return across.map((dx) => (isLeft = dx === 0 ? isLeft : dx < 0));
}

/** Where on the flattened way the points are at which it rests. */
function restsOf(
  { points, easing, restSeconds }: PathFields,
  flat: readonly number[],
  upTo: Float64Array,
): Rest[] {
  if (easing !== 'even' || !restSeconds.some((seconds) => seconds > 0)) return [];
  const rests: Rest[] = [];
  let k = 0;
  for (let i = 0; i < points.length / 2 && i < restSeconds.length; i++) {
    while (k < upTo.length - 1 && (flat[2 * k] !== points[2 * i] || flat[2 * k + 1] !== points[2 * i + 1]))
      k++;
    if (restSeconds[i] > 0) rests.push({ at: upTo[k], seconds: restSeconds[i] });
    k++;
  }
  return rests;
}

interface Run {
  /** How far on its way, px. */
  at: number;
  isResting: boolean;
  isBack: boolean;
  presence: number;
}

/** How long it is under way, how long one leg takes with its pause, and the whole round, seconds. */
function roundOf(
  { ends, speedPx, pauseSeconds }: PathFields,
  { upTo, rests }: Ruled,
): { travel: number; leg: number; round: number } {
  const length = upTo[upTo.length - 1];
  if (length === 0) return { travel: 0, leg: 0, round: 0 };
  const travel = rests.reduce((sum, rest) => sum + rest.seconds, length / speedPx);
  const leg = travel + pauseSeconds;
  return { travel, leg, round: ends === 'back' ? 2 * leg : leg };
}

/** Where in its round something is: under way, at rest, or away. */
function runOf(path: PathFields, ruled: Ruled, seconds: number): Run {
  const { ends, easing, speedPx, fadeSeconds } = path;
  const { upTo, rests } = ruled;
  const length = upTo[upTo.length - 1];
  if (length === 0) return { at: 0, isResting: false, isBack: false, presence: 1 };
  const { travel, leg, round } = roundOf(path, ruled);
  const into = seconds - round * Math.floor(seconds / round);
  const isBack = into >= leg;
  const onLeg = isBack ? into - leg : into;
  // Back is the same way in the time turned round.
  const under = Math.min(travel, isBack ? travel - onLeg : onLeg);
  const along =
    rests.length > 0
      ? withRests(rests, speedPx, length, Math.max(0, under))
      : { at: easedShare(easing, Math.max(0, under) / travel) * length, isResting: false };
  if (ends !== 'appear') return { ...along, isBack, presence: 1 };
  if (onLeg >= travel) return { at: length, isResting: false, isBack: false, presence: 0 };
  const fade = Math.min(fadeSeconds, travel / 2);
  const presence = fade === 0 ? 1 : Math.min(1, onLeg / fade, (travel - onLeg) / fade);
  return { ...along, isBack: false, presence };
}

/** Symmetric: the way back is eased likewise. */
function easedShare(easing: PathFields['easing'], share: number): number {
  return easing === 'eased' ? share * share * (3 - 2 * share) : share;
}

function withRests(
  rests: readonly Rest[],
  speedPx: number,
  length: number,
  seconds: number,
): Pick<Run, 'at' | 'isResting'> {
  let [at, left] = [0, seconds];
  for (const rest of rests) {
    const until = (rest.at - at) / speedPx;
    if (left < until) return { at: at + left * speedPx, isResting: false };
    left -= until;
    at = rest.at;
    if (left < rest.seconds) return { at, isResting: true };
    left -= rest.seconds;
  }
  return { at: Math.min(length, at + left * speedPx), isResting: false };
}
