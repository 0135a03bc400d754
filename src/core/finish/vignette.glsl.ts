import { gateMiddle } from './frame';
import type { PointPass } from './pass.glsl';
import type { VignetteNumbers } from './vignette';

export const vignette: PointPass<VignetteNumbers> = {
  uniforms: () => `
uniform vec2 u_fromMiddle;
uniform float u_perPx;
uniform vec2 u_gateHalf;
uniform vec3 u_vignette;
uniform vec3 u_vignetteColour;
float vignetteRadius(vec2 d) {
  float bySides = sqrt(dot(d / u_gateHalf, d / u_gateHalf) / 2.0);
  return mix(bySides, sqrt(dot(d, d) / dot(u_gateHalf, u_gateHalf)), u_vignette.z);
}
float vignetteShare(float radius) {
  float inner = u_vignette.y;
  if (inner >= 1.0) return radius >= 1.0 ? 1.0 : 0.0;
  float t = clamp((radius - inner) / (1.0 - inner), 0.0, 1.0);
  return t * t * (3.0 - 2.0 * t);
}`,
  glsl: () =>
    'c *= mix(vec3(1.0), u_vignetteColour, u_vignette.x * vignetteShare(vignetteRadius(wide / u_perPx + u_fromMiddle)));',
  values: ({ level, inner, roundness, colour }, { gate, view }) => {
    const { x, y, halfWidth, halfHeight } = gateMiddle(gate);
    return {
      u_fromMiddle: [view.x - x, view.y - y],
      u_perPx: view.outputPerScenePx,
      u_gateHalf: [halfWidth, halfHeight],
      u_vignette: [level, inner, roundness],
      u_vignetteColour: colour,
    };
  },
};
