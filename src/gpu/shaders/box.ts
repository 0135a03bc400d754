/** Programs that fill a box of output pixels from one texture. */
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
out vec4 colour;
void main() {
  vec2 at = vec2(gl_FragCoord.x - u_topLeft.x, u_topLeft.y - gl_FragCoord.y) / u_enlarge;
  colour = texelFetch(u_picture, ivec2(at), 0);
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
