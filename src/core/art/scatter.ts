/**
 * Places strewn over a rectangle by a seed: of some tries for each place the one farthest from those that stand already
 * is taken (best candidate, Mitchell 1991), and none nearer than the spacing. Same seed, same places.
 */
import { hash01 } from '../time/noise';

export interface ScatterRule {
  count: number;
  seed: number;
  /** Least distance between two of them. */
  spacingPx: number;
  /** By how much their sizes differ, to either side of 1. */
  sizeShare: number;
  /** By how much they are turned, to either side. */
  turnDeg: number;
  flips: boolean;
}

export interface ScatteredPlace {
  x: number;
  y: number;
  /** Which of the things that are strewn, 0 to `kinds` - 1. */
  kind: number;
  scale: number;
  turnDeg: number;
  flipX: boolean;
}

const TRIES = 12;

/** @param kinds how many different things are strewn */
export function scattered(
  { left, top, right, bottom }: { left: number; top: number; right: number; bottom: number },
  kinds: number,
  rule: ScatterRule,
): ScatteredPlace[] {
  const { count, seed, spacingPx, sizeShare, turnDeg, flips } = rule;
  if (kinds === 0 || right <= left || bottom <= top) return [];
  const out: ScatteredPlace[] = [];
  for (let i = 0; i < count; i++) {
    let best: [number, number] | null = null;
    let bestAway = spacingPx * spacingPx;
    for (let k = 0; k < TRIES; k++) {
      const x = left + (right - left) * hash01(seed, (i * TRIES + k) * 2);
      const y = top + (bottom - top) * hash01(seed, (i * TRIES + k) * 2 + 1);
      let away = Infinity;
      for (const other of out)
        away = Math.min(away, (other.x - x) * (other.x - x) + (other.y - y) * (other.y - y));
      if (away >= bestAway && (best === null || away > bestAway)) [best, bestAway] = [[x, y], away];
    }
    // Where there is no room left nothing is put.
    if (!best) continue;
    const chance = (of: number) => hash01(seed + 1 + of, i);
    out.push({
      x: best[0],
      y: best[1],
      kind: Math.min(kinds - 1, Math.floor(chance(0) * kinds)),
      scale: 1 + sizeShare * (2 * chance(1) - 1),
      turnDeg: turnDeg * (2 * chance(2) - 1),
      flipX: flips && chance(3) < 0.5,
    });
  }
  return out;
}
