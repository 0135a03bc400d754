/** What a light's wick gives at a second. A pure function of the wick, the light's identity and the second. */
import type { Wick } from '../scene/records/wick';
import { hash01, hashText } from './noise';
import { curveOf } from './wicks/all-wicks';

export interface WickOutput {
  /** Share of the light's own level and reach. */
  level: number;
  reach: number;
}

/** Where in the loop a light stands at second 0: from its own identity, so that no two lights beat together. */
export function phaseSeconds(wick: Wick, lightId: string): number {
  return hash01(wick.seed, hashText(lightId)) * wick.loopSeconds;
}

/** The wick's own curve at a second of its loop, 0 to 1. */
export function wickCurve(wick: Wick, seconds: number): number {
  return curveOf(wick.kind)(wick as unknown as Parameters<ReturnType<typeof curveOf>>[0], seconds);
}

export function wickAt(wick: Wick, lightId: string, seconds: number): WickOutput {
  const at = seconds + phaseSeconds(wick, lightId);
  const level = wickCurve(wick, at);
  const reach = wickCurve(wick, at - wick.reachLagSeconds);
  return {
    level: wick.levelLow + (wick.levelHigh - wick.levelLow) * level,
    reach: wick.reachLow + (wick.reachHigh - wick.reachLow) * reach,
  };
}
