/** Programs that fill a box of output pixels from one texture. */
import { TRANSFER } from '@/core/raster/colour.glsl';
import type { ProgramRecord } from '../device';
import { HEADER, TO_CLIP } from './common';

/** Four corners of `u_box`: left, top, right, bottom. */
export const BOX_VERTEX = `${HEADER}${TO_CLIP}
uniform vec4 u_box;
void main() {
  vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1);
  gl_Position = toClip(mix(u_box.xy, u_box.zw, corner));
}`;

/** Adds one sum to another. */
export const ADD_PROGRAM: ProgramRecord = {
  name: 'add',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_sum;
out vec4 sum;
void main() { sum = texelFetch(u_sum, ivec2(gl_FragCoord.xy), 0); }`,
};

/** A finished picture on the canvas, whose rows run from below, each of its pixels as a square. */
export const SHOW_PROGRAM: ProgramRecord = {
  name: 'show',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_picture;
uniform vec2 u_topLeft;
uniform float u_enlarge;
uniform float u_marksClipped;
uniform float u_isSeen;
uniform vec3 u_seenRed;
uniform vec3 u_seenGreen;
uniform vec3 u_seenBlue;
out vec4 colour;
${TRANSFER}
void main() {
  vec2 at = vec2(gl_FragCoord.x - u_topLeft.x, u_topLeft.y - gl_FragCoord.y) / u_enlarge;
  colour = texelFetch(u_picture, ivec2(at), 0);
  if (u_isSeen > 0.0) {
    vec3 linear = decode3(colour.rgb);
    vec3 seen = vec3(dot(u_seenRed, linear), dot(u_seenGreen, linear), dot(u_seenBlue, linear));
    colour.rgb = encode3(clamp(seen, 0.0, 1.0));
  }
  if (u_marksClipped > 0.0) {
    if (max(colour.r, max(colour.g, colour.b)) >= 1.0) colour.rgb = vec3(0.89, 0.2, 0.16);
    else if (max(colour.r, max(colour.g, colour.b)) <= 0.0) colour.rgb = vec3(0.16, 0.36, 0.9);
  }
}`,
};

/** What shadow masks let through. */
export const OPEN_PROGRAM: ProgramRecord = {
  name: 'open',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_red;
uniform sampler2D u_green;
uniform sampler2D u_blue;
uniform vec2 u_origin;
out vec4 colour;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy - u_origin);
  const vec4 mean = vec4(0.25);
  vec3 stopped = vec3(dot(texelFetch(u_red, at, 0), mean), dot(texelFetch(u_green, at, 0), mean), dot(texelFetch(u_blue, at, 0), mean));
  colour = vec4(1.0 - stopped, 1.0);
}`,
};
