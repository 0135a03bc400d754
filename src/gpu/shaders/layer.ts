/**
 * The sprites of a layer. Gathered: albedo, normal and glow, premultiplied, each with its alpha. Direct: where no light
 * but the even one reaches the layer it goes straight onto the picture, which comes to the same and saves the sums.
 */
import type { ProgramRecord } from '../device';
import { HEADER, PLACE, TO_CLIP } from './common';

const layerProgram = (name: string, isDirect: boolean): ProgramRecord => ({
  name,
  vertex: `${HEADER}${TO_CLIP}
uniform vec4 u_box;
void main() {
  vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1);
  gl_Position = toClip(mix(u_box.xy, u_box.zw, corner));
}`,
  fragment: `${HEADER}${isDirect ? '#define DIRECT\n' : ''}${PLACE}
uniform sampler2D u_art;
uniform sampler2D u_glow;
uniform vec4 u_frame;
uniform float u_opacity;
uniform vec4 u_inverse;
uniform vec2 u_inverseAt;
uniform bool u_hasGlow;
uniform bool u_selfLit;
uniform float u_glowLevel;
uniform vec3 u_tint;
uniform bool u_nearest;
#ifdef DIRECT
uniform vec3 u_light;
out vec4 picture;
#else
uniform sampler2D u_normals;
uniform vec4 u_normalMatrix;
uniform bool u_hasNormals;
layout(location = 0) out vec4 albedo;
layout(location = 1) out vec4 normal;
layout(location = 2) out vec4 glow;
#endif

vec4 colours;
vec3 facing;
float shine;

float value(float c) { float b = floor(c * 255.0 + 0.5); return b == 127.0 || b == 128.0 ? 0.0 : 2.0 * c - 1.0; }

void addTexel(ivec2 at, float weight) {
  ivec4 frame = ivec4(u_frame);
  ivec2 t = clamp(at + frame.xy, frame.xy, frame.zw - 1);
  vec4 c = texelFetch(u_art, t, 0);
  float share = weight * c.a;
  // Art of linear scenes lies in an sRGB texture and is decoded by the fetch.
  colours += vec4(c.rgb, 1.0) * share;
#ifndef DIRECT
  if (u_hasNormals) {
    vec3 n = texelFetch(u_normals, t, 0).rgb;
    facing += share * vec3(value(n.r), -value(n.g), value(n.b));
  }
#endif
  if (u_hasGlow) shine += share * texelFetch(u_glow, t, 0).r;
}

void main() {
  vec2 p = place();
  vec2 uv = vec2(u_inverse.x * p.x + u_inverse.z * p.y, u_inverse.y * p.x + u_inverse.w * p.y) + u_inverseAt;
  vec2 framePx = u_frame.zw - u_frame.xy;
  if (uv.x < 0.0 || uv.y < 0.0 || uv.x >= framePx.x || uv.y >= framePx.y) discard;
  colours = vec4(0.0);
  facing = vec3(0.0);
  shine = 0.0;
  if (u_nearest) addTexel(ivec2(floor(uv)), 1.0);
  else {
    vec2 q = uv - 0.5;
    vec2 low = floor(q);
    vec2 f = q - low;
    ivec2 t = ivec2(low);
    addTexel(t, (1.0 - f.x) * (1.0 - f.y));
    addTexel(t + ivec2(1, 0), f.x * (1.0 - f.y));
    addTexel(t + ivec2(0, 1), (1.0 - f.x) * f.y);
    addTexel(t + ivec2(1, 1), f.x * f.y);
  }
  if (colours.a == 0.0) discard;
  float glowShare = u_selfLit ? 1.0 : shine / colours.a;
  float size = length(facing) / colours.a;
  colours *= u_opacity;
  vec3 shaded = colours.rgb * u_tint * (1.0 - glowShare);
  vec3 shining = colours.rgb * glowShare * u_glowLevel;
#ifdef DIRECT
  picture = vec4(shaded * u_light + shining, colours.a);
#else
  vec3 n = vec3(0.0, 0.0, 1.0);
  if (u_hasNormals && size >= 0.1) {
    facing = normalize(facing);
    n = normalize(vec3(dot(u_normalMatrix.xy, facing.xy), dot(u_normalMatrix.zw, facing.xy), facing.z));
  }
  albedo = vec4(shaded, colours.a);
  normal = vec4(u_selfLit ? vec3(0.0) : n * colours.a, colours.a);
  glow = vec4(shining, colours.a);
#endif
}`,
});

export const GATHER_PROGRAM = layerProgram('gather', false);
export const DIRECT_PROGRAM = layerProgram('direct', true);
