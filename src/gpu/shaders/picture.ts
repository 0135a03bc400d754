/** From a layer's sums to the picture, and from the picture to the screen. */
import type { ProgramRecord } from '../device';
import { HEADER, TO_CLIP, TRANSFER } from './common';

const BOX_VERTEX = `${HEADER}${TO_CLIP}
uniform vec4 u_box;
void main() {
  vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1);
  gl_Position = toClip(mix(u_box.xy, u_box.zw, corner));
}`;

export const COMPOSITE_PROGRAM: ProgramRecord = {
  name: 'composite',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_albedo;
uniform sampler2D u_glow;
uniform sampler2D u_light;
out vec4 picture;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  vec4 a = texelFetch(u_albedo, at, 0);
  vec3 light = max(vec3(0.0), texelFetch(u_light, at, 0).rgb);
  picture = vec4(a.rgb * light + texelFetch(u_glow, at, 0).rgb, a.a);
}`,
};

/** Light space to encoded bytes; painted scenes get an ordered dither within half a step, against banding. */
export const ENCODE_PROGRAM: ProgramRecord = {
  name: 'encode',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${TRANSFER}
uniform sampler2D u_picture;
uniform sampler2D u_overlay;
uniform sampler2D u_bayer;
uniform bool u_hasOverlay;
uniform bool u_linear;
uniform bool u_dither;
out vec4 colour;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  vec3 c = texelFetch(u_picture, at, 0).rgb;
  vec3 display = clamp(u_linear ? encode3(c) : c, 0.0, 1.0);
  if (u_hasOverlay) {
    vec4 over = texelFetch(u_overlay, at, 0);
    display = over.rgb + (1.0 - over.a) * display;
  }
  float offset = u_dither ? (texelFetch(u_bayer, at & 7, 0).r * 255.0 + 0.5) / 64.0 - 0.5 : 0.0;
  colour = vec4(clamp(floor(display * 255.0 + 0.5 + offset), 0.0, 255.0) / 255.0, 1.0);
}`,
};
