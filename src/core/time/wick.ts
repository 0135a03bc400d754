/** Wicks: curves of time around 1. A pure function of the wick, the light's identity and the second. */
import type { Wick } from '../scene/document';
import { hash01, hashText, loopNoise } from './noise';

/** Octaves of a breeze: each twice as quick as the one before, and weaker by the roughness. */
const BREEZE_OCTAVES = 3;
/** Keeps the lattices of the octaves apart. */
const OCTAVE_SEED_STEP = 0x51ed27;
/** Layered noise rarely leaves this share of its bound; stretching by it lets the curve use its whole range. */
const BREEZE_STRETCH = 1.6;

export interface WickOutput {
  /** Share of the light's own level and reach. */
  level: number;
  reach: number;
}

/** Where in the loop a light stands at second 0: from its own identity, so that no two lights beat together. */
export function phaseSeconds(wick: Wick, lightId: string): number {
  return hash01(wick.seed, hashText(lightId)) * wick.loopSeconds;
}

/** The raw curve of a breeze at a second, 0 to 1; closes after the loop. Rates are rounded to whole cells. */
export function breezeAt(wick: Wick, seconds: number): number {
  const turn = seconds / wick.loopSeconds;
  let sum = 0;
  let weights = 0;
  let weight = 1;
  for (let octave = 0; octave < BREEZE_OCTAVES; octave++) {
    const cells = Math.max(1, Math.round(wick.rateHz * (1 << octave) * wick.loopSeconds));
    // Half a cell apart, so that the octaves' zeros do not meet.
    sum += weight * loopNoise(wick.seed + octave * OCTAVE_SEED_STEP, turn * cells + octave * 0.5, cells);
    weights += weight;
    weight *= wick.roughness;
  }
  const around = (sum / weights) * BREEZE_STRETCH;
  return Math.min(1, Math.max(0, around * 0.5 + 0.5));
}

/** What a light's wick gives at a second. */
export function wickAt(wick: Wick, lightId: string, seconds: number): WickOutput {
  const at = seconds + phaseSeconds(wick, lightId);
  const level = breezeAt(wick, at);
  const reach = breezeAt(wick, at - wick.reachLagSeconds);
  return {
    level: wick.levelLow + (wick.levelHigh - wick.levelLow) * level,
    reach: wick.reachLow + (wick.reachHigh - wick.reachLow) * reach,
  };
}
