import { share, within } from '../../fields';
import { hash01 } from '../noise';
import { cyclesIn, wrapped, type WickKindRecord } from './kind';

/** While it fails it is anew so many times a second. */
const FLUTTER_HZ = 25;
/** Of what fails this much may be left. */
const LEFT = 0.45;
/** Keeps when it fails, how long, and how apart. */
const LENGTH_SEED = 0x3779b1;
const FLUTTER_SEED = 0x6b43a9;

/** A bad tube: steady, with bursts of failing at times by chance. The rate is that of the bursts. */
export const fault: WickKindRecord<{ burstSeconds: number; failing: number }> = {
  fields: {
    burstSeconds: within(0.02, 30)
      .default(0.8)
      .meta({ word: 'Bursts', about: 'How long a burst of failing lasts, on the whole' }),
    failing: share().default(0.5).meta({ word: 'Failing', about: 'Share of a burst in which it is out' }),
  },
  begins: { rateHz: 0.25 },
  curve:
    ({ rateHz, burstSeconds, failing, seed, loopSeconds }) =>
    (seconds) => {
      const cells = cyclesIn(loopSeconds, rateHz);
      const cellSeconds = loopSeconds / cells;
      const at = (seconds / loopSeconds) * cells;
      const cell = wrapped(Math.floor(at), cells);
      // From half to one and a half times as long, within its cell.
      const length = Math.min(cellSeconds, burstSeconds * (0.5 + hash01(seed ^ LENGTH_SEED, cell)));
      const begin = hash01(seed, cell) * (cellSeconds - length);
      const into = (at - Math.floor(at)) * cellSeconds - begin;
      if (into < 0 || into >= length) return 1;
      const flutters = cyclesIn(loopSeconds, FLUTTER_HZ);
      const flutter = wrapped(Math.floor((seconds / loopSeconds) * flutters), flutters);
      const chance = hash01(seed ^ FLUTTER_SEED, flutter);
      return chance < failing ? LEFT * (chance / failing) : 1;
    },
};
