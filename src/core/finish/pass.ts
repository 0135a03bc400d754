/**
 * What a pass after the planes is: its fields in the scene's settings, the numbers that they come to, how those of several
 * finishes are mixed, whether it is at rest, and what it does to a picture. A pass is one record in one file, listed in
 * all-passes.ts in the order in which they run; its twin in GLSL stands beside it, or in src/gpu/finish where it takes more
 * than one draw.
 */
import type { ISchema } from 'yup';
import type { TableSource } from './colour-table';
import type { FinishFrame } from './frame';

/** Red, green and blue of each pixel in turn, row by row. */
export interface FloatPicture {
  width: number;
  height: number;
  data: Float64Array;
}

/** What a pass came to in one finish, and how much that finish counts; the shares add up to 1. */
export interface Weighted<Numbers> {
  numbers: Numbers;
  share: number;
}

export interface FinishPass<Settings, Numbers> {
  /** What the screen calls it. */
  word: string;
  fields: { [F in keyof Settings]: ISchema<Settings[F]> };
  /**
   * `light` passes work on linear light that is not bounded above, `print` passes on encoded values from 0 to 1. They run in
   * that order.
   */
  on: 'light' | 'print';
  /** @param tables where lookup tables are found */
  numbers(settings: Settings, tables: TableSource): Numbers;
  /** What several finishes come to together, two or more. */
  mix(parts: readonly Weighted<Numbers>[]): Numbers;
  /** Whether it leaves every picture as it is: then it is left out. */
  isAtRest(numbers: Numbers): boolean;
  /** How far beyond the view it reads, scene px; without it, a pixel depends on nothing but itself. */
  marginPx?(numbers: Numbers, frame: FinishFrame): number;
  /** Works in place. */
  apply(picture: FloatPicture, numbers: Numbers, frame: FinishFrame): void;
}

/** Numbers, and lists of numbers, mixed each by itself. */
export function mixNumbers<N extends object>(parts: readonly Weighted<N>[]): N {
  const [first] = parts;
  const mixed = (of: (numbers: N) => number) =>
    parts.reduce((sum, { numbers, share }) => sum + share * of(numbers), 0);
  const entries = (Object.keys(first.numbers) as (keyof N)[]).map((key) => {
    const value = first.numbers[key];
    if (!Array.isArray(value)) return [key, mixed((numbers) => numbers[key] as number)];
    return [key, value.map((_, i) => mixed((numbers) => (numbers[key] as number[])[i]))];
  });
  return Object.fromEntries(entries) as N;
}
