/** What the screen says of wicks: the words of their kinds, and by what their fields are set. */
import type { Wick } from '@/core/scene/records/wick';
import type { WickKind } from '@/core/time/wicks/all-wicks';
import type { ValueFieldProps } from '../controls/ValueField';

export const WICK_SCREENS: Record<WickKind, { word: string; about: string }> = {
  breeze: { word: 'Breeze', about: 'A flame in moving air: smooth noise' },
  gutter: { word: 'Gutter', about: 'A flame short of oil: holds a value by chance, then runs to the next' },
  pulse: { word: 'Pulse', about: 'Goes up and down, evenly or as a heart beats' },
  beacon: { word: 'Beacon', about: 'On for a share of its period, or a cycle of colours' },
  fault: { word: 'Fault', about: 'Steady, with bursts of failing: a bad tube' },
  storm: { word: 'Storm', about: 'Long dark, rare clusters of flashes' },
  drawn: { word: 'Drawn', about: 'A curve of your own, repeated' },
};

type NumberField = { [F in keyof Wick]: Wick[F] extends number ? F : never }[keyof Wick];
type NumberScreen = Pick<
  ValueFieldProps,
  'low' | 'high' | 'step' | 'digits' | 'whole' | 'unit' | 'logarithmic'
>;

const SHARE: NumberScreen = { low: 0, high: 1, step: 0.01 };

/** Ranges that are handy for the fields of kinds; what may be typed is wider. */
export const WICK_NUMBERS: Partial<Record<NumberField, NumberScreen>> = {
  roughness: SHARE,
  gusts: SHARE,
  slew: SHARE,
  onShare: SHARE,
  rampShare: { ...SHARE, high: 0.5 },
  burstSeconds: { low: 0.05, high: 10, step: 0.05, unit: 's', logarithmic: true },
  failing: SHARE,
  flashes: { low: 1, high: 12, whole: true },
  fadeSeconds: { low: 0.02, high: 2, step: 0.01, unit: 's', logarithmic: true },
};

/** The kinds whose rate may be 0: anew at each frame. */
export const RATE_FROM: Partial<Record<WickKind, number>> = { gutter: 0 };
