import { LUMINANCE } from '../../raster/colour';

/** @see sums.ts */
export const SUMS = `
vec3 ambientOf(vec3 scene, vec3 instead, float weight, vec3 added) {
  return (scene * max(0.0, 1.0 - weight) + instead) / max(1.0, weight) + added;
}
vec3 lightOf(vec3 sum, vec3 lighten, vec3 covered, vec3 taken) {
  return max(vec3(0.0), max(max(sum, lighten), 1.0 - covered) - taken);
}
float shownShare(float gain, vec3 light, vec3 ambient) {
  return min(1.0, gain * dot(max(vec3(0.0), light - ambient), vec3(${LUMINANCE.join(', ')})));
}
`;

export const PAST_SHADOW = `
vec3 pastShadow(vec3 through, vec3 lets) {
  return through + (1.0 - through) * lets;
}
`;
