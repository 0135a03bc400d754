/** @see steps.ts */
export const BLOCK = `
vec2 blockPlace(vec2 p, vec2 origin, float block) {
  return block == 0.0 ? p : origin + (floor((p - origin) / block) + 0.5) * block;
}
`;

/** The dither's matrix lies in a texture of 8 x 8 bytes. */
export const BANDS = `
float ditherAt(sampler2D bayer, ivec2 cell) {
  return (texelFetch(bayer, cell & 7, 0).r * 255.0 + 0.5) / 64.0;
}
float banded(float share, float bands, float threshold) {
  return bands == 0.0 ? share : min(bands, floor(share * bands + threshold)) / bands;
}
`;
