import type { GradeNumbers } from './grade';
import type { PointPass } from './pass.glsl';

export const grade: PointPass<GradeNumbers> = {
  uniforms: () => `
uniform vec3 u_slope;
uniform vec3 u_offset;
uniform vec3 u_power;
uniform float u_saturation;
vec3 graded(vec3 c) {
  c = clamp(c * u_slope + u_offset, 0.0, 1.0);
  // A power of 0 is not defined on every card.
  c = mix(vec3(0.0), pow(max(c, 1e-20), u_power), step(1e-20, c));
  float luma = dot(c, vec3(0.2126, 0.7152, 0.0722));
  return clamp(mix(vec3(luma), c, u_saturation), 0.0, 1.0);
}`,
  glsl: () => 'c = graded(c);',
  values: ({ slope, offset, power, saturation }) => ({
    u_slope: slope,
    u_offset: offset,
    u_power: power,
    u_saturation: saturation,
  }),
};
