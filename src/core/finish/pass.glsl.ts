/**
 * A pass that changes each pixel by itself: a piece of the program that prints the picture. Twin of the record of the same name
 * in this folder.
 */
import type { FinishFrame } from './frame';

export interface PointPass<Numbers> {
  /** Uniforms and functions that the code uses. */
  uniforms(numbers: Numbers): string;
  /**
   * Changes `c`: linear light, or encoded values where the pass works on the print. `wide` is the middle of the
   * pixel, output px of the frame's view.
   */
  glsl(numbers: Numbers): string;
  /** Names what of the code depends on the numbers. */
  variant?(numbers: Numbers): string;
  values(numbers: Numbers, frame: FinishFrame): Record<string, number | readonly number[]>;
}
