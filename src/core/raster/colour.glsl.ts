/** @see colour.ts: the sRGB transfer, which continues above 1. */
export const TRANSFER = `
float encode(float v) { return v <= 0.0 ? 0.0 : v <= 0.0031308 ? v * 12.92 : 1.055 * pow(v, 1.0 / 2.4) - 0.055; }
float decode(float v) { return v <= 0.04045 ? v / 12.92 : pow((v + 0.055) / 1.055, 2.4); }
vec3 decode3(vec3 v) { return vec3(decode(v.r), decode(v.g), decode(v.b)); }
vec3 encode3(vec3 v) { return vec3(encode(v.r), encode(v.g), encode(v.b)); }
`;
