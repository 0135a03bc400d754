/** When circuits are lit: always, between two hours, or while the sun is low; each lamp at a time of its own. */
import type { Circuit } from '../scene/records/circuit';
import { hash01, hashText } from './noise';
import { DAY_HOURS, wrapHours } from './periodic';
import type { HourSpan, Sky } from './sky';

const MINUTES_PER_HOUR = 60;
const SECONDS_PER_HOUR = 3600;
/** Lamps go out in another order than they are lit. */
const OUT_SEED = 1;

const WHOLE_DAY: readonly HourSpan[] = [[0, DAY_HOURS]];

/** The hours in which a circuit is lit, before the lamps' own times. */
export function litSpans(circuit: Circuit, sky: Sky): readonly HourSpan[] {
  switch (circuit.switching) {
    case 'always':
      return WHOLE_DAY;
    case 'hours': {
      const [on, off] = [wrapHours(circuit.onHours), wrapHours(circuit.offHours)];
      if (on === off) return WHOLE_DAY;
      return on < off
        ? [[on, off]]
        : [
            [0, off],
            [on, DAY_HOURS],
          ];
    }
    case 'sun':
      return sky.sunBelow(circuit.onBelowDeg);
  }
}

/**
 * How much of a lamp burns on a circuit at an hour.
 * @param spans the hours in which the circuit is lit
 * @param lampId its identity decides how late in the spread it comes
 * @returns 0 to 1
 */
export function litShare(
  { id, spreadMinutes, fadeSeconds }: Pick<Circuit, 'spreadMinutes' | 'fadeSeconds'> & { id: string },
  spans: readonly HourSpan[],
  lampId: string,
  clockHours: number,
): number {
  if (spans.length === 0) return 0;
  if (isWholeDay(spans)) return 1;
  const key = hashText(`${id}/${lampId}`);
  const spread = spreadMinutes / MINUTES_PER_HOUR;
  const [late, lateOut] = [spread * hash01(key, 0), spread * hash01(key, OUT_SEED)];
  const fade = fadeSeconds / SECONDS_PER_HOUR;
  let share = 0;
  for (const [on, off] of joined(spans)) share += shareOf(clockHours, on + late, off + lateOut, fade);
  return Math.min(1, share);
}

function isWholeDay(spans: readonly HourSpan[]): boolean {
  return spans.length === 1 && spans[0][0] === 0 && spans[0][1] === DAY_HOURS;
}

/** Spans that meet at midnight as one that goes beyond it. */
function joined(spans: readonly HourSpan[]): readonly HourSpan[] {
  const [first, last] = [spans[0], spans[spans.length - 1]];
  if (spans.length < 2 || first[0] !== 0 || last[1] !== DAY_HOURS) return spans;
  return [...spans.slice(1, -1), [last[0], first[1] + DAY_HOURS]];
}

/** A span that rises over its first `fade` hours and falls over the `fade` hours after its end. */
function shareOf(clockHours: number, on: number, off: number, fade: number): number {
  if (off <= on) return 0;
  const since = wrapHours(clockHours - on);
  const length = off - on;
  if (fade === 0) return since < length ? 1 : 0;
  const rising = Math.min(1, since / fade);
  const after = since < length ? 0 : (since - length) / fade;
  return Math.max(0, Math.min(rising, Math.min(1, length / fade) - after));
}
