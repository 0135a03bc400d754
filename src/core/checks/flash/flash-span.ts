/** Which seconds of a scene are looked at for flashes. */
import { flickersOf, lives, movesBesideWicks } from '../../scene/living';
import type { SceneDocument } from '../../scene/document';
import { phaseSeconds, wickCurve } from '../../time/wick';

const LONGEST_SECONDS = 60;
/** Steps in which storms are searched for where their flashes lie densest, seconds. */
const STEP_SECONDS = 0.02;
/** So far a storm is searched, however long its loop is. */
const SEARCHED_SECONDS = 3600;

export interface FlashSpan {
  from: number;
  /** 0 where nothing lives: one frame tells all. */
  seconds: number;
}

/** A minute, or the loop where all that lives repeats sooner; where it storms, the minute around its densest second. */
export function flashSpan(scene: SceneDocument): FlashSpan {
  if (!lives(scene)) return { from: 0, seconds: 0 };
  const flickers = flickersOf(scene);
  const storm = flickers.find(({ wick }) => wick.kind === 'storm');
  if (storm) {
    const { wick, phaseId } = storm;
    const { loopSeconds } = wick;
    const own = densestSecond(Math.min(loopSeconds, SEARCHED_SECONDS), (second) => wickCurve(wick, second));
    // The light is ahead of its wick's curve by its phase.
    const at = (own - phaseSeconds(wick, phaseId) + 2 * loopSeconds) % loopSeconds;
    return { from: Math.max(0, at - LONGEST_SECONDS / 2), seconds: LONGEST_SECONDS };
  }
  const loops = new Set(flickers.map(({ wick }) => wick.loopSeconds));
  const [loop] = loops;
  if (loops.size === 1 && loop <= LONGEST_SECONDS && !movesBesideWicks(scene))
    return { from: 0, seconds: loop };
  return { from: 0, seconds: LONGEST_SECONDS };
}

/** The second in which a curve rises the most in all. */
function densestSecond(seconds: number, curve: (second: number) => number): number {
  const steps = Math.round(1 / STEP_SECONDS);
  const rises: number[] = [];
  let [before, within, best, bestAt] = [curve(0), 0, -1, 0];
  for (let i = 1; i * STEP_SECONDS < seconds; i++) {
    const now = curve(i * STEP_SECONDS);
    rises.push(Math.max(0, now - before));
    within += rises[i - 1] - (rises[i - 1 - steps] ?? 0);
    before = now;
    if (within > best) [best, bestAt] = [within, i * STEP_SECONDS];
  }
  return bestAt;
}
