/**
 * A pass after the planes that changes each pixel by itself: a piece of the program that encodes the picture. Twin of the
 * record of the same name in this folder.
 */
export interface PointPass<Numbers> {
  uniforms: string;
  /** Changes `c`, a colour in linear light. */
  glsl: string;
  values(numbers: Numbers): Record<string, number>;
}
