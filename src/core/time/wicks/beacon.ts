import { colour, list, share, within } from '../../fields';
import { LIMITS } from '../../limits';
import { hexToLinear, linearToOklab, oklabToLinear, type Rgb } from '../../raster/colour';
import { cyclePhase, type WickKindRecord } from './kind';

/** On for a share of each period; or a cycle of colours that starts from and returns to the light's own. */
export const beacon: WickKindRecord<{ onShare: number; rampShare: number; cycleColours: string[] }> = {
  fields: {
    onShare: share().default(0.5).meta({ word: 'On', about: 'Share of its period that it is on' }),
    rampShare: within(0, 0.5).default(0.05).meta({
      word: 'Ramps',
      about: 'Share of its period that going on, going off or changing colour takes',
    }),
    cycleColours: list(colour(), LIMITS.cycleColours)
      .default(() => [])
      .meta({
        word: 'Colours',
        about: "Colours that follow the light's own, for equal shares of the period",
      }),
  },
  begins: { rateHz: 0.5 },
  curve: (wick) => (seconds) => {
    const { onShare, rampShare } = wick;
    if (onShare === 0 || onShare === 1) return onShare;
    const phase = cyclePhase(wick, seconds);
    if (rampShare === 0) return phase < onShare ? 1 : 0;
    // Both ramps have room: one within what is on, one within what is off.
    const ramp = Math.min(rampShare, onShare, 1 - onShare);
    return phase < onShare ? Math.min(1, phase / ramp) : Math.max(0, 1 - (phase - onShare) / ramp);
  },
  colour(wick, seconds, own) {
    const { cycleColours, rampShare } = wick;
    if (cycleColours.length === 0) return own;
    const stations = cycleColours.length + 1;
    const at = cyclePhase(wick, seconds) * stations;
    const station = Math.floor(at);
    const linearOf = (i: number): Rgb =>
      i % stations === 0 ? own : hexToLinear(cycleColours[(i % stations) - 1]);
    const ramp = Math.min(1, rampShare * stations);
    const into = at - station - (1 - ramp);
    if (into <= 0) return linearOf(station);
    const [from, to] = [linearToOklab(linearOf(station)), linearToOklab(linearOf(station + 1))];
    return oklabToLinear(from.map((v, c) => v + (to[c] - v) * (into / ramp)) as Rgb);
  },
};
