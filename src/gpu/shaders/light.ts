/** What lights give to a layer, or hang in the air; instanced octagons, added up. */
import type { ProgramRecord } from '../device';
import { FALL, HEADER, PLACE, TO_CLIP } from './common';

/** Floats of one light in the instance buffer: place, core, reach; colour, curve; steepness, height, relief, air. */
export const LIGHT_FLOATS = 12;

export const LIGHT_PROGRAM: ProgramRecord = {
  name: 'light',
  attributes: { a_place: 0, a_colour: 1, a_shape: 2 },
  vertex: `${HEADER}${TO_CLIP}
in vec4 a_place;
in vec4 a_colour;
in vec4 a_shape;
uniform float u_outputPerScenePx;
flat out vec4 v_place;
flat out vec4 v_colour;
flat out vec4 v_shape;
void main() {
  v_place = a_place;
  v_colour = a_colour;
  v_shape = a_shape;
  float angle = (float(gl_VertexID) + 0.5) * 0.78539816;
  // The octagon round a circle, and one pixel more against rounding.
  float radius = a_place.w * 1.0823922 * u_outputPerScenePx + 1.5;
  gl_Position = toClip(a_place.xy * u_outputPerScenePx + radius * vec2(cos(angle), sin(angle)));
}`,
  fragment: `${HEADER}${PLACE}${FALL}
flat in vec4 v_place;
flat in vec4 v_colour;
flat in vec4 v_shape;
uniform sampler2D u_normal;
uniform sampler2D u_mask;
uniform bool u_masked;
uniform vec2 u_maskOrigin;
uniform bool u_air;
out vec4 light;
void main() {
  vec2 p = place();
  vec2 d = v_place.xy - p;
  float share = fallAt(length(d), v_place.z, v_place.w, int(v_colour.w), v_shape.x);
  if (u_masked) {
    vec4 stopped = texelFetch(u_mask, ivec2(gl_FragCoord.xy + u_origin - u_maskOrigin), 0);
    share *= 1.0 - dot(stopped, vec4(0.25));
  }
  if (u_air) share *= v_shape.w;
  else {
    vec3 n = texelFetch(u_normal, ivec2(gl_FragCoord.xy), 0).xyz;
    float size = length(n);
    n = size < 0.01 ? vec3(0.0, 0.0, 1.0) : n / size;
    float facing = max(0.0, dot(n, normalize(vec3(d, max(v_shape.y, 1.0)))));
    share *= 1.0 + (facing - 1.0) * v_shape.z;
  }
  light = vec4(v_colour.rgb * share, 0.0);
}`,
};
