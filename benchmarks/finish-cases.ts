/** What the passes after the planes take beyond the picture alone, each by itself and all of them, against additive fill. */
import { finishNumbers, NO_FINISH_SETTINGS } from '@/core/finish/all-passes';
import type { Moment } from '@/core/moment/moment';

const SETTINGS: Readonly<Record<string, object>> = {
  exposure: { exposureStops: 0.3 },
  'automatic exposure': { autoShare: 0.5 },
  fringe: { fringePx: 3 },
  bloom: { bloomLevel: 0.4, bloomThreshold: 0.6 },
  vignette: { vignetteLevel: 0.4 },
  film: { tone: 'film', whiteLevel: 5 },
  grade: { saturation: 1.2, slopeRed: 1.1, powerBlue: 0.9 },
};

const WHOLE = 'the whole finish';

export interface FinishCase {
  name: string;
  moment: Moment;
}

/** @param moment a picture without a finish */
export function finishCases(moment: Moment): FinishCase[] {
  const finished = (name: string, settings: object): FinishCase => ({
    name,
    moment: { ...moment, finish: finishNumbers({ ...NO_FINISH_SETTINGS, ...settings }) },
  });
  return [
    ...Object.entries(SETTINGS).map(([name, settings]) => finished(name, settings)),
    finished(WHOLE, Object.assign({}, ...Object.values(SETTINGS)) as object),
  ];
}
