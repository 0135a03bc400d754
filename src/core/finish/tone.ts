/** How values above white are brought down: cut off, bent over a shoulder, or as a film takes them. */
import { oneOf, within } from '../fields';
import { exp } from '../geometry/exact';
import type { FinishPass, Weighted } from './pass';

export const TONES = ['clip', 'shoulder', 'film'] as const;
export type Tone = (typeof TONES)[number];

/** The curve that brings the white level to 1 and bends gently before it (Reinhard et al. 2002). */
export function shoulder(x: number, whiteLevel: number): number {
  return (x * (1 + x / (whiteLevel * whiteLevel))) / (1 + x);
}

/** Shadows deeper than this lie on the toe of the film. */
export const TOE = 0.06;
/** The slope of the toe at black. */
export const TOE_SLOPE = 0.55;
/** How fast the film saturates: middle grey stays about where it is. */
export const FILM_SPEED = 1.25;

/**
 * Our film: a toe t(x) = x (x + TOE * TOE_SLOPE) / (x + TOE), which keeps blacks deep without crushing them, and exponential
 * saturation, 1 - e^(-FILM_SPEED t(x)), scaled so that the white level comes to 1. Monotone; 0 stays 0.
 */
export function film(x: number, whiteLevel: number): number {
  return saturation(x) / saturation(whiteLevel);
}

function saturation(x: number): number {
  return 1 - exp((-FILM_SPEED * x * (x + TOE * TOE_SLOPE)) / (x + TOE));
}

/** What the shoulder and the film can bring to white: what settings and cues may hold. */
export const whiteLevel = () => within(1, 256);

interface ToneSettings {
  tone: Tone;
  whiteLevel: number;
}

/** How much each curve counts, adding up to 1, and what it brings to white. */
export interface ToneNumbers {
  clip: number;
  shoulder: number;
  shoulderWhite: number;
  film: number;
  filmWhite: number;
}

/** A white level that nothing asks for. */
const ANY_WHITE = 1;

export const tone = {
  word: 'Tone',
  fields: {
    tone: oneOf(TONES).default('clip').meta({ about: 'What becomes of values above 1' }),
    whiteLevel: whiteLevel().default(4).meta({ about: 'What the shoulder or the film brings to white' }),
  },
  on: 'light',
  numbers: (settings) => {
    const has = (curve: Tone) => (settings.tone === curve ? 1 : 0);
    return {
      clip: has('clip'),
      shoulder: has('shoulder'),
      shoulderWhite: settings.whiteLevel,
      film: has('film'),
      filmWhite: settings.whiteLevel,
    };
  },
  mix: (parts) => ({
    clip: shareOf(parts, 'clip'),
    shoulder: shareOf(parts, 'shoulder'),
    shoulderWhite: whiteOf(parts, 'shoulder', 'shoulderWhite'),
    film: shareOf(parts, 'film'),
    filmWhite: whiteOf(parts, 'film', 'filmWhite'),
  }),
  isAtRest: (numbers) => numbers.shoulder === 0 && numbers.film === 0,
  apply({ data }, numbers) {
    for (let i = 0; i < data.length; i++) {
      const v = data[i];
      data[i] =
        numbers.clip * Math.min(1, v) +
        (numbers.shoulder === 0 ? 0 : numbers.shoulder * shoulder(v, numbers.shoulderWhite)) +
        (numbers.film === 0 ? 0 : numbers.film * film(v, numbers.filmWhite));
    }
  },
} satisfies FinishPass<ToneSettings, ToneNumbers>;

type Curve = 'clip' | 'shoulder' | 'film';

function shareOf(parts: readonly Weighted<ToneNumbers>[], curve: Curve): number {
  return parts.reduce((sum, { numbers, share }) => sum + share * numbers[curve], 0);
}

/** The mean white level of the finishes that have a curve. */
function whiteOf(
  parts: readonly Weighted<ToneNumbers>[],
  curve: 'shoulder' | 'film',
  white: 'shoulderWhite' | 'filmWhite',
): number {
  const all = shareOf(parts, curve);
  if (all === 0) return ANY_WHITE;
  return parts.reduce((sum, { numbers, share }) => sum + share * numbers[curve] * numbers[white], 0) / all;
}
