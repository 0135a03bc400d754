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
  pauseSeconds: number;
  fadeSeconds: number;
  phaseSeconds: number;
}

/** A path as straight pieces, with the way from its beginning to each of its points. */
interface Ruled {
  points: readonly number[];
  /** px; the last one is the length of it all. */
  upTo: Float64Array;
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

  /** @param seconds of the scene */
  place(path: PathFields, seconds: number): PathPlace {
    const { points, upTo } = this.ruled.recall(path, [], () => rule(path));
    const length = upTo[upTo.length - 1];
    const run = runOf(path, length, seconds + path.phaseSeconds);
    const at = run.share * length;
    let i = 0;
    while (i < upTo.length - 2 && upTo[i + 1] <= at) i++;
    const side = upTo[i + 1] - upTo[i];
    const t = side > 0 ? (at - upTo[i]) / side : 0;
    const [ax, ay, bx, by] = [points[2 * i], points[2 * i + 1], points[2 * i + 2], points[2 * i + 3]];
    return {
      x: ax + (bx - ax) * t,
      y: ay + (by - ay) * t,
      goesLeft: bx < ax !== run.isBack && bx !== ax,
      presence: run.presence,
    };
  }
}

function rule({ points, smooth, ends }: PathFields): Ruled {
  const isClosed = ends === 'closed';
  const flat = flattened(points, smooth, isClosed);
  if (isClosed) flat.push(flat[0], flat[1]);
  const upTo = new Float64Array(flat.length / 2);
  for (let i = 1; i < upTo.length; i++) {
    const [dx, dy] = [flat[2 * i] - flat[2 * i - 2], flat[2 * i + 1] - flat[2 * i - 1]];
    upTo[i] = upTo[i - 1] + Math.sqrt(dx * dx + dy * dy);
  }
  return { points: flat, upTo };
}

interface Run {
  /** Of the way, 0 to 1. */
  share: number;
  isBack: boolean;
  presence: number;
}

/** Where in its round something is: under way, at rest at an end, or away. */
function runOf(
  { ends, easing, speedPx, pauseSeconds, fadeSeconds }: PathFields,
  length: number,
  seconds: number,
): Run {
  const travel = length / speedPx;
  if (travel === 0) return { share: 0, isBack: false, presence: 1 };
  const eased = (share: number) => (easing === 'eased' ? share * share * (3 - 2 * share) : share);
  const leg = travel + pauseSeconds;
  const round = ends === 'back' ? 2 * leg : leg;
  const at = seconds - round * Math.floor(seconds / round);
  const isBack = at >= leg;
  const onLeg = isBack ? at - leg : at;
  const share = eased(Math.min(1, onLeg / travel));
  if (ends !== 'appear') return { share: isBack ? 1 - share : share, isBack, presence: 1 };
  if (onLeg >= travel) return { share: 1, isBack: false, presence: 0 };
  const fade = Math.min(fadeSeconds, travel / 2);
  const presence = fade === 0 ? 1 : Math.min(1, onLeg / fade, (travel - onLeg) / fade);
  return { share, isBack: false, presence };
}
