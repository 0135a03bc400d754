/** @see cone.ts; `cone` holds its direction, and half its beam and half its field in radians. */
export const CONE = `
float coneAt(vec4 cone, vec2 d) {
  float across = abs(cone.x * d.y - cone.y * d.x);
  float along = dot(cone.xy, d);
  float angle = d == vec2(0.0) ? 0.0 : atan(across, along);
  float t = clamp((angle - cone.z) / max(cone.w - cone.z, 1e-9), 0.0, 1.0);
  return angle <= cone.z ? 1.0 : angle >= cone.w ? 0.0 : 1.0 - t * t * (3.0 - 2.0 * t);
}
`;
