import type { PointPass } from './pass.glsl';

export const tone: PointPass<{ whiteLevel: number }> = {
  uniforms: 'uniform float u_whiteLevel;',
  glsl: 'c = c * (1.0 + c / (u_whiteLevel * u_whiteLevel)) / (1.0 + c);',
  values: ({ whiteLevel }) => ({ u_whiteLevel: whiteLevel }),
};
