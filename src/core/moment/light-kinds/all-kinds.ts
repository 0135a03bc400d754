/** The kinds of lights, in the order in which they are offered. */
import { ambient } from './ambient';
import { area } from './area';
import { gobo } from './gobo';
import { point } from './point';
import type { LightKindRecord } from './shape';
import { spot } from './spot';
import { sun } from './sun';

export const LIGHT_KIND_RECORDS = { ambient, sun, point, spot, area, gobo } as const satisfies Record<
  string,
  LightKindRecord
>;

export type LightKind = keyof typeof LIGHT_KIND_RECORDS;
export const LIGHT_KINDS = Object.keys(LIGHT_KIND_RECORDS) as LightKind[];
