import { within } from '../fields';
import { exp } from '../geometry/exact';
import type { FinishPass } from './pass';

const LN2 = 0.6931471805599453;

/** Doublings of the light. */
/** Doublings, as far as they are of use: what settings and cues may hold. */
export const exposureStops = () => within(-16, 16);

export const exposure: FinishPass<{ exposureStops: number }, { gain: number }> = {
  fields: {
    exposureStops: exposureStops().default(0).meta({ about: 'Doublings of the finished light' }),
  },
  numbers: ({ exposureStops }) => ({ gain: exp(exposureStops * LN2) }),
  isAtRest: ({ gain }) => gain === 1,
  apply({ data }, { gain }) {
    for (let i = 0; i < data.length; i++) data[i] *= gain;
  },
};
