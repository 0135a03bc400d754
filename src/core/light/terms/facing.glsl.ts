import { LOWEST_HEIGHT_PX } from './facing';

/** @see facing.ts */
export const FACING = `
float facing(float towards, float wrap, float relief) {
  return 1.0 + (max(0.0, (towards + wrap) / (1.0 + wrap)) - 1.0) * relief;
}
`;

/** A normal, whose length squared is given, times the way that is `d` on the picture and leads up to a height. */
export const TOWARDS = `
float towardsLight(vec3 normal, float size2, vec2 d, float height) {
  float h = max(height, ${LOWEST_HEIGHT_PX}.0);
  return (dot(normal.xy, d) + normal.z * h) * inversesqrt(size2 * (dot(d, d) + h * h));
}
`;

/** A byte of a normal map, as a texture gives it. */
export const NORMAL_VALUE = `
float normalValue(float c) {
  float b = floor(c * 255.0 + 0.5);
  return b == 127.0 || b == 128.0 ? 0.0 : 2.0 * c - 1.0;
}
`;
