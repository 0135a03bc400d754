import type { VersionStep } from './step';

/** The finish was an exposure and a tone, and planes were all in focus. */
const EARLIER_FINISH = {
  autoShare: 0,
  autoLimitStops: 2,
  fringePx: 0,
  bloomLevel: 0,
  bloomThreshold: 1,
  bloomKnee: 0.5,
  bloomSpread: 0.6,
  bloomColour: '#ffffff',
  vignetteLevel: 0,
  vignetteInner: 0.5,
  vignetteRoundness: 0.5,
  vignetteColour: '#000000',
  slopeRed: 1,
  slopeGreen: 1,
  slopeBlue: 1,
  offsetRed: 0,
  offsetGreen: 0,
  offsetBlue: 0,
  powerRed: 1,
  powerGreen: 1,
  powerBlue: 1,
  saturation: 1,
  tableId: null,
  tableShare: 1,
  focusPlaneId: null,
  blurPx: 0,
  lookId: null,
  lookShare: 1,
};

/** What of it cues do not hold. */
const NOT_ON_CUES: readonly string[] = ['autoLimitStops', 'tableId', 'focusPlaneId'];

const HELD_BY_NO_CUE = Object.fromEntries(
  Object.keys(EARLIER_FINISH)
    .filter((field) => !NOT_ON_CUES.includes(field))
    .map((field) => [field, null]),
);

/** Version 11: the whole finish, with looks, lookup tables and blur by distance. */
export const toVersion11: VersionStep = {
  added: ['tables', 'looks'],
  records: {
    settings: (settings) => ({ ...EARLIER_FINISH, ...settings }),
    cues: (cue) => ({ ...HELD_BY_NO_CUE, ...cue }),
    planes: (plane) => ({ blurPx: null, ...plane }),
  },
};
