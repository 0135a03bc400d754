import type { PointPass } from './pass.glsl';

export const exposure: PointPass<{ gain: number }> = {
  uniforms: 'uniform float u_gain;',
  glsl: 'c *= u_gain;',
  values: ({ gain }) => ({ u_gain: gain }),
};
