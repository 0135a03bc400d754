/** Cues in their order, and hours as text. */
import type { Cue } from '../scene/records/cue';

/** Cues by their hour. */
export function cuesInOrder(cues: Record<string, Cue>): [string, Cue][] {
  return Object.entries(cues).sort(([, a], [, b]) => a.clockHours - b.clockHours);
}

/** An hour as a railway clock shows it: 19.1 is 19:06. */
export function clockText(clockHours: number): string {
  const minutes = Math.floor(clockHours * 60 + 0.5) % 1440;
  const two = (n: number) => String(n).padStart(2, '0');
  return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}
