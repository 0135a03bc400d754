import type { GradeNumbers } from './grade';
import type { PointPass } from './pass.glsl';

export const grade: PointPass<GradeNumbers> = {
  uniforms: (numbers) => `
uniform vec3 u_slope;
uniform vec3 u_offset;
uniform float u_saturation;
${hasPower(numbers) ? POWERS : ''}
vec3 graded(vec3 c) {
  c = clamp(c * u_slope + u_offset, 0.0, 1.0);
  ${hasPower(numbers) ? 'c = powered(c);' : ''}
  float luma = dot(c, vec3(0.2126, 0.7152, 0.0722));
  return clamp(mix(vec3(luma), c, u_saturation), 0.0, 1.0);
}`,
  variant: (numbers) => (hasPower(numbers) ? 'power' : ''),
  glsl: () => 'c = graded(c);',
  values: (numbers) => ({
    u_slope: numbers.slope,
    u_offset: numbers.offset,
    u_saturation: numbers.saturation,
    ...(hasPower(numbers) ? { u_power: numbers.power } : {}),
  }),
};

/** Three powers a pixel take longer than all else of the grade. */
function hasPower({ power }: GradeNumbers): boolean {
  return power.some((v) => v !== 1);
}

// A power of 0 is not defined on every card.
const POWERS = `
uniform vec3 u_power;
vec3 powered(vec3 c) { return mix(vec3(0.0), pow(max(c, 1e-20), u_power), step(1e-20, c)); }`;
