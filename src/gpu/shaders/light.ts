/** What lights give to a layer, or hang in the air; instanced octagons, added up. */
import { NATURAL_KNEE } from '@/core/light/fall';
import type { ProgramRecord } from '../device';
import { fallGlsl, HEADER, PLACE, TO_CLIP } from './common';

/** Floats of one light in the instance buffer: place, core, reach; colour, unused; steepness, height, relief, air. */
export const LIGHT_FLOATS = 12;

/** What differs between light programs; each combination is compiled when it is first drawn. */
export interface LightVariant {
  curve: number;
  isSteepened: boolean;
  isMasked: boolean;
  isAir: boolean;
}

export const lightProgram = ({ curve, isSteepened, isMasked, isAir }: LightVariant): ProgramRecord => ({
  name: `light ${curve} ${isSteepened} ${isMasked} ${isAir}`,
  attributes: { a_place: 0, a_colour: 1, a_shape: 2 },
  vertex: `${HEADER}${TO_CLIP}
in vec4 a_place;
in vec4 a_colour;
in vec4 a_shape;
uniform float u_outputPerScenePx;
flat out vec4 v_place;
flat out vec4 v_colour;
flat out vec4 v_shape;
flat out vec3 v_fall;
void main() {
  v_place = a_place;
  v_colour = a_colour;
  v_shape = a_shape;
  float core = a_place.z;
  float k = max(core, a_place.w * ${NATURAL_KNEE});
  v_fall = vec3(1.0 / max(a_place.w - core, 1e-6), k * k, k * k + core * core);
  float angle = (float(gl_VertexID) + 0.5) * 0.78539816;
  // The octagon round a circle, and one pixel more against rounding.
  float radius = a_place.w * 1.0823922 * u_outputPerScenePx + 1.5;
  gl_Position = toClip(a_place.xy * u_outputPerScenePx + radius * vec2(cos(angle), sin(angle)));
}`,
  fragment: `${HEADER}${isMasked ? '#define MASKED\n' : ''}${isAir ? '#define AIR\n' : ''}${PLACE}${fallGlsl(curve, isSteepened)}
flat in vec4 v_place;
flat in vec4 v_colour;
flat in vec4 v_shape;
flat in vec3 v_fall;
#ifdef MASKED
uniform sampler2D u_mask;
uniform vec2 u_maskOrigin;
#endif
#ifndef AIR
uniform sampler2D u_normal;
#endif
out vec4 light;
void main() {
  vec2 p = place();
  vec2 d = v_place.xy - p;
  float share = fallAt(length(d), v_place.z, v_place.w, v_fall.x, v_fall.yz, v_shape.x);
#ifdef MASKED
  {
    vec4 stopped = texelFetch(u_mask, ivec2(gl_FragCoord.xy + u_origin - u_maskOrigin), 0);
    share *= 1.0 - dot(stopped, vec4(0.25));
  }
#endif
#ifdef AIR
  share *= v_shape.w;
#else
  {
    vec3 n = texelFetch(u_normal, ivec2(gl_FragCoord.xy), 0).xyz;
    float size2 = dot(n, n);
    if (size2 < 0.0001) {
      n = vec3(0.0, 0.0, 1.0);
      size2 = 1.0;
    }
    vec3 l = vec3(d, max(v_shape.y, 1.0));
    float facing = max(0.0, dot(n, l) * inversesqrt(size2 * dot(l, l)));
    share *= 1.0 + (facing - 1.0) * v_shape.z;
  }
#endif
  light = vec4(v_colour.rgb * share, 0.0);
}`,
});
