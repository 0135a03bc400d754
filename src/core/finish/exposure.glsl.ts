import { AUTO_KEY_LOG2, DARKEST_LOG2, exposureGain, type ExposureNumbers } from './exposure';
import type { PointPass } from './pass.glsl';

/** Automatic doublings stand in a texture of one pixel: they are worked out on the card. */
export const exposure: PointPass<ExposureNumbers> = {
  uniforms: ({ autoShare }) =>
    `uniform float u_gain;${autoShare > 0 ? '\nuniform sampler2D u_autoStops;' : ''}`,
  glsl: ({ autoShare }) =>
    `c *= u_gain${autoShare > 0 ? ' * exp2(texelFetch(u_autoStops, ivec2(0), 0).r)' : ''};`,
  variant: ({ autoShare }) => (autoShare > 0 ? 'auto' : ''),
  values: (numbers) => ({ u_gain: exposureGain(numbers, null) }),
};

/** What a pixel of the metered gate counts in the mean of logarithms. */
export const METERED = `
float metered(vec3 c) {
  float luminance = dot(c, vec3(0.2126, 0.7152, 0.0722));
  return luminance <= 0.0 ? ${DARKEST_LOG2.toFixed(1)} : max(${DARKEST_LOG2.toFixed(1)}, log2(luminance));
}`;

/** Automatic doublings. @see exposure.ts */
export const AUTO_STOPS = `
float autoStops(float gateLog2, float share, float limit) {
  return clamp(share * (${AUTO_KEY_LOG2} - gateLog2), -limit, limit);
}`;
