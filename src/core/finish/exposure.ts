/**
 * Doublings of the light, and automatic ones: as many as bring the gate's mean luminance (of its logarithm) to middle grey.
 * Nothing is remembered from frame to frame: the same Moment gives the same picture.
 */
import { share, within } from '../fields';
import type { Box } from '../geometry/affine';
import { exp, ln } from '../geometry/exact';
import type { View } from '../geometry/view';
import { mixNumbers, type FinishPass } from './pass';

const LN2 = 0.6931471805599453;

/** The luminance that automatic exposure aims at. */
export const AUTO_KEY_LOG2 = -2.4739311883324124; // log2(0.18)

/** What is darker counts as this dark, so that a black night does not decide alone. */
export const DARKEST_LOG2 = -10;

/** Doublings, as far as they are of use: what settings and cues may hold. */
export const exposureStops = () => within(-16, 16);
export const autoLimitStops = () => within(0, 16);

interface ExposureSettings {
  exposureStops: number;
  autoShare: number;
  autoLimitStops: number;
}

export interface ExposureNumbers {
  stops: number;
  autoShare: number;
  autoLimit: number;
}

/** The longer side of the gate is metered at so many places at most. */
const MOST_PLACES = 64;

/** The gate as it is metered: from so far away that it is a small picture, whatever view is looked at. */
export function meteringView({ left, top, right, bottom }: Box): View {
  const [width, height] = [right - left, bottom - top];
  const stepPx = Math.max(1, Math.ceil(Math.max(width, height) / MOST_PLACES));
  return {
    x: left,
    y: top,
    widthPx: Math.max(1, Math.floor(width / stepPx)),
    heightPx: Math.max(1, Math.floor(height / stepPx)),
    outputPerScenePx: 1 / stepPx,
  };
}

/** What a luminance counts in the mean. */
export function meteredLog2(luminance: number): number {
  return luminance <= 0 ? DARKEST_LOG2 : Math.max(DARKEST_LOG2, ln(luminance) / LN2);
}

/** @param gateLog2 see FinishFrame; @returns the automatic doublings */
export function autoStops({ autoShare, autoLimit }: ExposureNumbers, gateLog2: number): number {
  const wanted = autoShare * (AUTO_KEY_LOG2 - gateLog2);
  return Math.min(autoLimit, Math.max(-autoLimit, wanted));
}

/** What light is multiplied by. */
export function exposureGain(numbers: ExposureNumbers, gateLog2: number | null): number {
  const auto = gateLog2 === null ? 0 : autoStops(numbers, gateLog2);
  return exp((numbers.stops + auto) * LN2);
}

export const exposure = {
  word: 'Exposure',
  fields: {
    exposureStops: exposureStops().default(0).meta({ about: 'Doublings of the finished light' }),
    autoShare: share()
      .default(0)
      .meta({ about: 'How much of the way to middle grey automatic exposure goes; 0 is none of it' }),
    autoLimitStops: autoLimitStops()
      .default(2)
      .meta({ about: 'Automatic exposure goes no farther than this' }),
  },
  on: 'light',
  numbers: (settings) => ({
    stops: settings.exposureStops,
    autoShare: settings.autoShare,
    autoLimit: settings.autoLimitStops,
  }),
  mix: mixNumbers<ExposureNumbers>,
  isAtRest: ({ stops, autoShare }) => stops === 0 && autoShare === 0,
  apply({ data }, numbers, { gateLog2 }) {
    const gain = exposureGain(numbers, gateLog2);
    for (let i = 0; i < data.length; i++) data[i] *= gain;
  },
} satisfies FinishPass<ExposureSettings, ExposureNumbers>;
