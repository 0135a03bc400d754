/** The kinds of wicks, in the order in which they are offered, and the fields of all of them. */
import { whole, within } from '../../fields';
import { breeze } from './breeze';
import type { WickKindRecord } from './kind';

export const WICK_KIND_RECORDS = { breeze } as const;

export type WickKind = keyof typeof WICK_KIND_RECORDS;
export const WICK_KINDS = Object.keys(WICK_KIND_RECORDS) as WickKind[];

/** The curve of a kind. */
export function curveOf(kind: WickKind): WickKindRecord<Record<string, number>>['curve'] {
  return (WICK_KIND_RECORDS[kind] as unknown as WickKindRecord<Record<string, number>>).curve;
}

/** The fields of a wick: those of every kind, and those that all have. */
export const WICK_FIELDS = {
  ...breeze.fields,
  levelLow: within(0, 8).default(0.75).meta({ about: "Lowest share of the light's own level" }),
  levelHigh: within(0, 8).default(1.1).meta({ about: 'And the highest' }),
  reachLow: within(0.01, 8).default(0.95).meta({ about: 'Likewise of its reach' }),
  reachHigh: within(0.01, 8).default(1.03),
  reachLagSeconds: within(0, 10).default(0.05).meta({ about: 'How far the reach follows behind the level' }),
  seed: whole(0, 0xffffffff),
  loopSeconds: within(0.5, 600).default(20).meta({ about: 'After this it begins again, without a seam' }),
};
