import { oneOf } from '../../fields';
import { cos, exp } from '../../geometry/exact';
import { cyclePhase, type WickKindRecord } from './kind';

export const PULSE_SHAPES = ['sine', 'triangle', 'heartbeat'] as const;
export type PulseShape = (typeof PULSE_SHAPES)[number];

/** The two beats of a heart: when in its cycle, how strong, and how wide. */
const BEATS = [
  { at: 0.12, height: 1, width: 0.045 },
  { at: 0.32, height: 0.55, width: 0.06 },
] as const;

const SHAPES: Record<PulseShape, (phase: number) => number> = {
  sine: (phase) => 0.5 - 0.5 * cos(2 * Math.PI * phase),
  triangle: (phase) => 1 - Math.abs(2 * phase - 1),
  heartbeat: (phase) =>
    Math.min(
      1,
      BEATS.reduce((sum, { at, height, width }) => {
        // The nearest of the beats of all cycles.
        const away = Math.abs(phase - at);
        const off = Math.min(away, 1 - away) / width;
        return sum + height * exp(-0.5 * off * off);
      }, 0),
    ),
};

/** Goes up and down: a sine, a triangle, or the double beat of a heart. */
export const pulse: WickKindRecord<{ shape: PulseShape }> = {
  fields: {
    shape: oneOf(PULSE_SHAPES)
      .default('sine')
      .meta({ word: 'Shape', choices: { sine: 'Sine', triangle: 'Triangle', heartbeat: 'Heartbeat' } }),
  },
  begins: { rateHz: 0.5 },
  curve: (wick) => (seconds) => SHAPES[wick.shape](cyclePhase(wick, seconds)),
};
