/** The kinds of wicks, in the order in which they are offered, and the fields of all of them. */
import { flag, whole, within } from '../../fields';
import { beacon } from './beacon';
import { breeze } from './breeze';
import { drawn } from './drawn';
import { fault } from './fault';
import { gutter } from './gutter';
import type { WickKindRecord } from './kind';
import { pulse } from './pulse';
import { storm } from './storm';

export const WICK_KIND_RECORDS = { breeze, gutter, pulse, beacon, fault, storm, drawn } as const;

export type WickKind = keyof typeof WICK_KIND_RECORDS;
export const WICK_KINDS = Object.keys(WICK_KIND_RECORDS) as WickKind[];

/** A kind as all are asked: it reads its own fields of a wick, which has those of every kind. */
export function wickKind(kind: WickKind): WickKindRecord<Record<string, unknown>> {
  return WICK_KIND_RECORDS[kind] as unknown as WickKindRecord<Record<string, unknown>>;
}

/** The largest offset of a light by its wick, scene px. */
const MOST_SWAY_PX = 256;
/** Doublings of red against blue, at most. */
const MOST_WARMTH = 4;
const MOST_LAG_SECONDS = 10;

const sway = () => within(-MOST_SWAY_PX, MOST_SWAY_PX).default(0);
const warmth = () => within(-MOST_WARMTH, MOST_WARMTH).default(0);
const lag = (seconds: number) => within(0, MOST_LAG_SECONDS).default(seconds);

/** The fields of a wick: those of every kind, and those that all have. */
export const WICK_FIELDS = {
  ...breeze.fields,
  ...gutter.fields,
  ...pulse.fields,
  ...beacon.fields,
  ...fault.fields,
  ...storm.fields,
  ...drawn.fields,
  rateHz: within(0, 60).default(1.6).meta({
    word: 'Rate',
    about: 'How often it goes round, or something happens; rounded to a whole number in its loop',
  }),
  levelLow: within(0, 8).default(0.75).meta({ about: "Lowest share of the light's own level" }),
  levelHigh: within(0, 8).default(1.1).meta({ about: 'And the highest' }),
  levelLagSeconds: lag(0).meta({ about: 'How far the level follows behind the curve' }),
  reachLow: within(0.01, 8).default(0.95).meta({ about: 'Likewise of its reach' }),
  reachHigh: within(0.01, 8).default(1.03),
  reachLagSeconds: lag(0.05),
  swayXLowPx: sway().meta({
    about: 'Offset of the light across, scene px of what carries it; likewise down',
  }),
  swayXHighPx: sway(),
  swayXLagSeconds: lag(0.1),
  swayYLowPx: sway(),
  swayYHighPx: sway(),
  swayYLagSeconds: lag(0.37),
  warmthLow: warmth().meta({
    about: 'Shift of the colour at the same luminance: at 1 red is doubled against blue, at -1 halved',
  }),
  warmthHigh: warmth(),
  warmthLagSeconds: lag(0),
  inStep: flag()
    .default(false)
    .meta({ about: 'Whether its lights burn in step; otherwise each has a phase of its own' }),
  seed: whole(0, 0xffffffff).meta({ word: 'Seed' }),
  loopSeconds: within(0.5, 600)
    .default(20)
    .meta({ word: 'Loop', about: 'After this it begins again, without a seam' }),
};
