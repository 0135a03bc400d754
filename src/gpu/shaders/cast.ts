/** The shape of a standing sprite on the ground: what is left of a sun past it. Twin of core/light/cast.ts. */
import { CAST_TAPS } from '@/core/light/cast';
import type { ProgramRecord } from '../device';
import { BOX_VERTEX } from './box';
import { BLOCK } from '@/core/light/terms/steps.glsl';
import { HEADER, PLACE } from './common';

export const CAST_PROGRAM: ProgramRecord = {
  name: 'cast',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${PLACE}${BLOCK}
precision highp sampler2DArray;
uniform sampler2DArray u_art;
uniform float u_layer;
uniform vec4 u_frame;
uniform vec4 u_inverse;
uniform vec2 u_at;
uniform vec3 u_above;
uniform float u_spread;
uniform float u_opacity;
uniform bool u_nearest;
uniform float u_blockPx;
uniform vec2 u_planeOrigin;
out vec4 open;
float texel(ivec2 at) {
  ivec4 frame = ivec4(u_frame);
  ivec2 size = frame.zw - frame.xy;
  if (at.x < 0 || at.y < 0 || at.x >= size.x || at.y >= size.y) return 0.0;
  return texelFetch(u_art, ivec3(at + frame.xy, int(u_layer)), 0).a;
}
float alphaAt(vec2 uv) {
  if (u_nearest) return texel(ivec2(floor(uv)));
  vec2 low = floor(uv - 0.5);
  vec2 f = uv - 0.5 - low;
  ivec2 t = ivec2(low);
  return mix(mix(texel(t), texel(t + ivec2(1, 0)), f.x), mix(texel(t + ivec2(0, 1)), texel(t + ivec2(1, 1)), f.x), f.y);
}
const vec2 TAPS[3] = vec2[3](${CAST_TAPS.map(([at, weight]) => `vec2(${at}.0, ${weight})`).join(', ')});
void main() {
  vec2 p = blockPlace(place(), u_planeOrigin, u_blockPx);
  float height = dot(u_above, vec3(p, 1.0));
  if (height < 0.0) discard;
  vec2 uv = vec2(u_inverse.x * p.x + u_inverse.z * p.y, u_inverse.y * p.x + u_inverse.w * p.y) + u_at;
  float wide = height * u_spread;
  float sum = 0.0;
  if (wide == 0.0) sum = alphaAt(uv);
  else for (int i = 0; i < 3; i++) for (int j = 0; j < 3; j++)
    sum += TAPS[i].y * TAPS[j].y * alphaAt(uv + wide * vec2(TAPS[i].x, TAPS[j].x));
  open = vec4(1.0 - u_opacity * sum);
}`,
};
