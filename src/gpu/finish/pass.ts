import type { UniformValue } from '../device';

/**
 * A pass after the planes that changes each pixel by itself: a piece of the program that encodes the picture. Twin of the
 * record of the same name in core/finish/.
 */
export interface PointPass<Numbers> {
  uniforms: string;
  /** Changes `c`, a colour in linear light. */
  glsl: string;
  values(numbers: Numbers): Record<string, UniformValue>;
}
