import { share } from '../../fields';
import { smoothstep01 } from '../../geometry/exact';
import { hash01 } from '../noise';
import { cyclesIn, wrapped, type WickKindRecord } from './kind';

/** With a rate of 0 it is anew at each drawn frame; frames are counted by this many a second, whatever is drawn. */
const FRAMES_HZ = 60;

/** A flame short of oil: holds a value by chance, then runs to the next. */
export const gutter: WickKindRecord<{ slew: number }> = {
  fields: {
    slew: share()
      .default(0.3)
      .meta({ word: 'Slew', about: 'Share of each hold in which it runs to the next value; at 0 it jumps' }),
  },
  begins: { rateHz: 7 },
  curve:
    ({ rateHz, slew, seed, loopSeconds }) =>
    (seconds) => {
      const cells = cyclesIn(loopSeconds, rateHz === 0 ? FRAMES_HZ : rateHz);
      const at = (seconds / loopSeconds) * cells;
      const cell = Math.floor(at);
      const value = hash01(seed, wrapped(cell, cells));
      const run = slew === 0 ? 0 : smoothstep01((at - cell - (1 - slew)) / slew);
      return value + (hash01(seed, wrapped(cell + 1, cells)) - value) * run;
    },
};
