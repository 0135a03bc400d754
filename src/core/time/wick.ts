/** What a light's wick gives at a second. A pure function of the wick, the light's identity and the second. */
import { pow } from '../geometry/exact';
import { linearLuminance, type Rgb } from '../raster/colour';
import type { Wick } from '../scene/records/wick';
import { hash01, hashText } from './noise';
import { wickKind } from './wicks/all-wicks';

export interface WickOutput {
  /** Share of the light's own level and reach. */
  level: number;
  reach: number;
  /** Offset of the light, scene px of what carries it. */
  swayX: number;
  swayY: number;
  /** Doublings of red against blue. */
  warmth: number;
  /** What becomes of the light's colour, linear RGB; null leaves it. */
  colour: ((own: Rgb) => Rgb) | null;
}

/** A light that burns steadily. */
export const STEADY: WickOutput = { level: 1, reach: 1, swayX: 0, swayY: 0, warmth: 0, colour: null };

/** Where in the loop a light stands at second 0: from its own identity, so that no two lights beat together. */
export function phaseSeconds(wick: Wick, lightId: string): number {
  return wick.inStep ? 0 : hash01(wick.seed, hashText(lightId)) * wick.loopSeconds;
}

/** The wick's own curve at a second of its loop, 0 to 1. */
export function wickCurve(wick: Wick, seconds: number): number {
  return wickKind(wick.kind).curve(wick)(seconds);
}

export function wickAt(wick: Wick, lightId: string, seconds: number): WickOutput {
  return outputAt(wick, wickKind(wick.kind).curve(wick), seconds + phaseSeconds(wick, lightId));
}

/** What a wick does to one light, by the second. */
export type Burn = (seconds: number) => WickOutput;

interface Lit {
  curve(seconds: number): number;
  /** By the lights' ids. */
  burns: Map<string, Burn>;
}

/** Wicks that are asked again and again: what of them does not change with time is made once. */
export class WickMemory {
  private readonly lit = new WeakMap<Wick, Lit>();

  of(wick: Wick, lightId: string): Burn {
    let lit = this.lit.get(wick);
    if (!lit) this.lit.set(wick, (lit = { curve: wickKind(wick.kind).curve(wick), burns: new Map() }));
    const known = lit.burns.get(lightId);
    if (known) return known;
    const { curve } = lit;
    const phase = phaseSeconds(wick, lightId);
    const burn: Burn = (seconds) => outputAt(wick, curve, seconds + phase);
    lit.burns.set(lightId, burn);
    return burn;
  }
}

function outputAt(wick: Wick, curve: (seconds: number) => number, at: number): WickOutput {
  const { levelLagSeconds, reachLagSeconds, swayXLagSeconds, swayYLagSeconds, warmthLagSeconds } = wick;
  // Most outputs share one lag: the curve is asked once for them.
  const level = curve(at - levelLagSeconds);
  const of = (lag: number) => (lag === levelLagSeconds ? level : curve(at - lag));
  const warmth = between(wick.warmthLow, wick.warmthHigh, of(warmthLagSeconds));
  return {
    level: between(wick.levelLow, wick.levelHigh, level),
    reach: between(wick.reachLow, wick.reachHigh, of(reachLagSeconds)),
    swayX: between(wick.swayXLowPx, wick.swayXHighPx, of(swayXLagSeconds)),
    swayY: between(wick.swayYLowPx, wick.swayYHighPx, of(swayYLagSeconds)),
    warmth,
    colour: colouring(wick, at, warmth),
  };
}

function between(low: number, high: number, share: number): number {
  return low === high ? low : low + (high - low) * share;
}

function colouring(wick: Wick, at: number, warmth: number): ((own: Rgb) => Rgb) | null {
  const cycle = wick.cycleColours.length > 0 ? wickKind(wick.kind).colour : undefined;
  if (!cycle && warmth === 0) return null;
  return (own) => warmed(cycle ? cycle(wick, at, own) : own, warmth);
}

/** How far from wherever it is a wick can carry a light, px of what carries it. */
export function widestSway({ swayXLowPx, swayXHighPx, swayYLowPx, swayYHighPx }: Wick): number {
  return Math.abs(swayXHighPx - swayXLowPx) + Math.abs(swayYHighPx - swayYLowPx);
}

/**
 * A colour with red against blue so many doublings stronger, at the same luminance.
 * @param colour linear RGB
 */
export function warmed(colour: Rgb, warmth: number): Rgb {
  if (warmth === 0) return colour;
  const gain = pow(2, warmth / 2);
  const shifted: Rgb = [colour[0] * gain, colour[1], colour[2] / gain];
  const before = linearLuminance(colour);
  const after = linearLuminance(shifted);
  if (after <= 0) return shifted;
  return [(shifted[0] * before) / after, (shifted[1] * before) / after, (shifted[2] * before) / after];
}
