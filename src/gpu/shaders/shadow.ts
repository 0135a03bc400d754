/**
 * Shadow masks. One instance an edge: a polygon round the wedge that the edge throws out to the light's reach; which
 * pixels it stops is decided for each place by the same arithmetic as in the reference, so that edges with a shared
 * corner leave no gap. Four places a pixel in the four channels; coverage adds up and saturates.
 */
import type { ProgramRecord } from '../device';
import { HEADER, PLACE, STOPS, TO_CLIP } from './common';

const MASK_PLACE = PLACE.replace('uniform float u_outputPerScenePx;', '');

export const SHADOW_PROGRAM: ProgramRecord = {
  name: 'shadow',
  attributes: { a_edge: 0 },
  vertex: `${HEADER}${TO_CLIP}
in vec4 a_edge;
uniform vec2 u_light;
uniform float u_reach;
uniform float u_outputPerScenePx;
flat out vec4 v_edge;
void main() {
  v_edge = a_edge;
  vec2 toA = a_edge.xy - u_light;
  vec2 toB = a_edge.zw - u_light;
  float margin = 2.0 / u_outputPerScenePx;
  float lengthA = max(length(toA), 1e-4);
  float lengthB = max(length(toB), 1e-4);
  vec2 dirA = toA / lengthA;
  vec2 dirB = toB / lengthB;
  float turn = dirA.x * dirB.y - dirA.y * dirB.x >= 0.0 ? 1.0 : -1.0;
  // Outward across each border ray.
  vec2 outA = vec2(dirA.y, -dirA.x) * turn * margin;
  vec2 outB = vec2(-dirB.y, dirB.x) * turn * margin;
  float half_ = acos(clamp(dot(dirA, dirB), -1.0, 1.0)) * 0.5;
  float far = max(u_reach, max(lengthA, lengthB)) + margin * 2.0;
  float corner = far / max(cos(half_ * 0.5), 0.7);
  float c = cos(half_ * 0.5);
  float s = sin(half_ * 0.5) * turn;
  vec2 toC1 = vec2(dirA.x * c - dirA.y * s, dirA.x * s + dirA.y * c);
  vec2 toC2 = vec2(dirB.x * c + dirB.y * s, -dirB.x * s + dirB.y * c);
  // The nearer the edge runs to the ray, the farther back it takes to clear its line by the margin.
  vec2 along = normalize(a_edge.zw - a_edge.xy);
  float backA = 2.0 * margin / max(abs(dirA.x * along.y - dirA.y * along.x), 0.02);
  float backB = 2.0 * margin / max(abs(dirB.x * along.y - dirB.y * along.x), 0.02);
  vec2 at;
  if (gl_VertexID == 0) at = a_edge.xy + outA - dirA * backA;
  else if (gl_VertexID == 1) at = a_edge.zw + outB - dirB * backB;
  else if (gl_VertexID == 2) at = u_light + dirA * far + outA;
  else if (gl_VertexID == 3) at = u_light + dirB * far + outB;
  else if (gl_VertexID == 4) at = u_light + toC1 * corner + outA;
  else at = u_light + toC2 * corner + outB;
  gl_Position = toClip(at * u_outputPerScenePx);
}`,
  fragment: `${HEADER}${STOPS}${MASK_PLACE}
flat in vec4 v_edge;
uniform vec2 u_light;
uniform bool u_bothSides;
out vec4 stopped;
void main() {
  vec2 p = place();
  vec4 sum = vec4(0.0);
  for (int i = 0; i < 4; i++) {
    if (stops(v_edge.xy, v_edge.zw, u_bothSides, placeOf(p, i), u_light)) sum[i] = 1.0;
  }
  stopped = sum;
}`,
};

/** The inside of an occluder that lies in its own shade: there its edges stop light from both sides. */
export const OWN_SHADE_PROGRAM: ProgramRecord = {
  name: 'own-shade',
  vertex: `${HEADER}${TO_CLIP}
uniform vec4 u_box;
void main() {
  vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1);
  gl_Position = toClip(mix(u_box.xy, u_box.zw, corner));
}`,
  fragment: `${HEADER}${STOPS}${MASK_PLACE}
uniform sampler2D u_edges;
uniform int u_edgeCount;
uniform vec2 u_light;
out vec4 stopped;
vec4 edgeAt(int i) { return texelFetch(u_edges, ivec2(i & 1023, i >> 10), 0); }
void main() {
  vec2 p = place();
  bool inside = false;
  for (int i = 0; i < u_edgeCount; i++) {
    vec4 e = edgeAt(i);
    if ((e.y <= p.y) == (e.w <= p.y)) continue;
    float side = (e.z - e.x) * (p.y - e.y) - (e.w - e.y) * (p.x - e.x);
    if ((side > 0.0) == (e.w > e.y)) inside = !inside;
  }
  if (!inside) discard;
  vec4 sum = vec4(0.0);
  for (int i = 0; i < u_edgeCount; i++) {
    vec4 e = edgeAt(i);
    for (int k = 0; k < 4; k++) if (stops(e.xy, e.zw, true, placeOf(p, k), u_light)) sum[k] = 1.0;
  }
  stopped = sum;
}`,
};
