import { eachOf, eachOverride, isRecord, type Json, type VersionStep } from './step';

/** What wicks of version 6 and earlier were: a breeze that moved level and reach, each light from a phase of its own. */
const EARLIER_WICK = {
  gusts: 0,
  slew: 0.3,
  shape: 'sine',
  onShare: 0.5,
  rampShare: 0.05,
  cycleColours: [],
  burstSeconds: 0.8,
  failing: 0.5,
  flashes: 4,
  fadeSeconds: 0.09,
  points: [0, 0.2, 0.25, 1, 0.6, 0.55],
  levelLagSeconds: 0,
  swayXLowPx: 0,
  swayXHighPx: 0,
  swayXLagSeconds: 0.1,
  swayYLowPx: 0,
  swayYHighPx: 0,
  swayYLagSeconds: 0.37,
  warmthLow: 0,
  warmthHigh: 0,
  warmthLagSeconds: 0,
  inStep: false,
};

const wick = (record: Json): Json => ({ ...EARLIER_WICK, ...record });
const withWick = (record: Json): Json =>
  isRecord(record.wick) ? { ...record, wick: wick(record.wick) } : record;

/** Version 7: wicks of more kinds, which also move the place and the colour of lights. */
export const toVersion7: VersionStep = {
  added: [],
  records: {
    wicks: wick,
    lamps: (lamp) => eachOverride(lamp, withWick),
    luminaires: (luminaire) => ({ ...luminaire, lights: eachOf(luminaire.lights, withWick) }),
  },
};
