/**
 * What a kind of wick is: its own fields with their ranges, and its curve. A kind is one record in one file, listed in
 * all-wicks.ts.
 */
import type { ISchema } from 'yup';
import type { Rgb } from '../../raster/colour';

/** What every kind may read beside its own fields. */
export interface WickBase {
  rateHz: number;
  seed: number;
  /** After so many seconds everything begins again, without a seam. */
  loopSeconds: number;
}

export interface WickKindRecord<Fields = object> {
  /** Fields that this kind reads beside those that all wicks have. */
  fields: { [F in keyof Fields]: ISchema<Fields[F]> };
  /** What a wick of this kind begins with, where that is not the default of a field. */
  begins: Partial<Fields & WickBase>;
  /**
   * The curve of a wick, to be asked at any second.
   * @returns 0 to 1, from the wick's lowest to its highest; the same again after loopSeconds
   */
  curve(wick: Fields & WickBase): (seconds: number) => number;
  /**
   * The colour at a second, linear RGB; without it a wick leaves colours alone.
   * @param own the light's own colour, linear RGB
   */
  colour?(wick: Fields & WickBase, seconds: number, own: Rgb): Rgb;
}

/** How many times a rate goes round in a loop: whole, so that the loop closes, and at least once. */
export function cyclesIn(loopSeconds: number, rateHz: number): number {
  return Math.max(1, Math.round(rateHz * loopSeconds));
}

/** Where in its cycle something is: 0 up to, but not including, 1. */
export function cyclePhase({ rateHz, loopSeconds }: WickBase, seconds: number): number {
  const at = (seconds / loopSeconds) * cyclesIn(loopSeconds, rateHz);
  return at - Math.floor(at);
}

/** A whole number brought into 0 up to, but not including, count. */
export function wrapped(i: number, count: number): number {
  return ((i % count) + count) % count;
}
