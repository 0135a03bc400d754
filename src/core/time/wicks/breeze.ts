import { share } from '../../fields';
import { loopNoise } from '../noise';
import { cyclesIn, type WickKindRecord } from './kind';

/** Octaves of a breeze: each twice as quick as the one before, and weaker by the roughness. */
const OCTAVES = 3;
/** Keeps the lattices of the octaves, and of the gusts, apart. */
const SEED_STEP = 0x51ed27;
const GUST_SEED = 0x2c1b3c;
/** Layered noise rarely leaves this share of its bound; stretching by it lets the curve use its whole range. */
const STRETCH = 1.6;
/** Gusts come and go so many times slower than the flame wanders. */
const GUST_SLOWER = 6;

/** A flame in moving air: layered smooth noise. Rates are rounded to whole cells, so that it closes. */
export const breeze: WickKindRecord<{ roughness: number; gusts: number }> = {
  fields: {
    roughness: share().default(0.5).meta({ word: 'Roughness', about: 'How strong its quick parts are' }),
    gusts: share().default(0).meta({ word: 'Gusts', about: 'How far slow gusts calm it and stir it up' }),
  },
  begins: { rateHz: 1.6 },
  curve: ({ rateHz, roughness, gusts, seed, loopSeconds }) => {
    const octaves = Array.from({ length: OCTAVES }, (_, k) => cyclesIn(loopSeconds, rateHz * (1 << k)));
    const gustCells = cyclesIn(loopSeconds, rateHz / GUST_SLOWER);
    return (seconds) => {
      const turn = seconds / loopSeconds;
      let sum = 0;
      let weights = 0;
      let weight = 1;
      for (let k = 0; k < OCTAVES; k++) {
        const cells = octaves[k];
        // Half a cell apart, so that the octaves' zeros do not meet.
        sum += weight * loopNoise(seed + k * SEED_STEP, turn * cells + k * 0.5, cells);
        weights += weight;
        weight *= roughness;
      }
      let around = (sum / weights) * STRETCH;
      if (gusts > 0) {
        // From calm to twice as lively.
        const stirred = 1 + loopNoise(seed ^ GUST_SEED, turn * gustCells, gustCells) * STRETCH;
        around *= 1 + gusts * (Math.min(2, Math.max(0, stirred)) - 1);
      }
      return Math.min(1, Math.max(0, around * 0.5 + 0.5));
    };
  },
};
