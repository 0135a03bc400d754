/**
 * What a kind of wick is: its own fields with their ranges, and its curve. A kind is one record in one file, listed in
 * all-wicks.ts.
 */
import type { ISchema } from 'yup';

export interface WickKindRecord<Fields> {
  /** Fields that this kind reads beside those that all wicks have. */
  fields: { [F in keyof Fields]: ISchema<Fields[F]> };
  /**
   * The curve at a second.
   * @returns 0 to 1, from the wick's lowest to its highest; the same again after loopSeconds
   */
  curve(wick: Fields & { seed: number; loopSeconds: number }, seconds: number): number;
}
