/**
 * What a pass after the planes is: its fields in the scene's settings, the numbers that they come to, whether it is at rest,
 * and what it does to a picture. A pass is one record in one file, listed in all-passes.ts in the order in which they run;
 * its twin in GLSL stands beside it.
 */
import type { ISchema } from 'yup';

/** Linear light, not bounded above: red, green and blue of each pixel in turn, row by row. */
export interface FloatPicture {
  width: number;
  height: number;
  data: Float64Array;
}

export interface FinishPass<Settings, Numbers> {
  fields: { [F in keyof Settings]: ISchema<Settings[F]> };
  numbers(settings: Settings): Numbers;
  /** Whether it leaves every picture as it is: then it is left out. */
  isAtRest(numbers: Numbers): boolean;
  /** Works in place. */
  apply(picture: FloatPicture, numbers: Numbers): void;
}
