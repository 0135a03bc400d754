import { share, within } from '../../fields';
import { loopNoise } from '../noise';
import type { WickKindRecord } from './kind';

/** Octaves of a breeze: each twice as quick as the one before, and weaker by the roughness. */
const OCTAVES = 3;
/** Keeps the lattices of the octaves apart. */
const SEED_STEP = 0x51ed27;
/** Layered noise rarely leaves this share of its bound; stretching by it lets the curve use its whole range. */
const STRETCH = 1.6;

/** A flame in moving air: layered smooth noise. Rates are rounded to whole cells, so that it closes. */
export const breeze: WickKindRecord<{ rateHz: number; roughness: number }> = {
  fields: {
    rateHz: within(0.01, 60).default(1.6).meta({ about: 'How quickly it wanders' }),
    roughness: share().default(0.5).meta({ about: 'How strong its quick parts are' }),
  },
  curve({ rateHz, roughness, seed, loopSeconds }, seconds) {
    const turn = seconds / loopSeconds;
    let sum = 0;
    let weights = 0;
    let weight = 1;
    for (let octave = 0; octave < OCTAVES; octave++) {
      const cells = Math.max(1, Math.round(rateHz * (1 << octave) * loopSeconds));
      // Half a cell apart, so that the octaves' zeros do not meet.
      sum += weight * loopNoise(seed + octave * SEED_STEP, turn * cells + octave * 0.5, cells);
      weights += weight;
      weight *= roughness;
    }
    const around = (sum / weights) * STRETCH;
    return Math.min(1, Math.max(0, around * 0.5 + 0.5));
  },
};
