/**
 * Shadow masks: how much of a light is stopped at each pixel, in four channels. One instance an edge: a polygon round the
 * wedge that the edge throws out. Hard: four places in the pixel, decided by the same arithmetic as in the reference, so
 * that edges with a shared corner leave no gap. Soft: four strips of the chord that shines, each stopped by a share that
 * adds up and saturates. core/light/shadow.ts does it exactly; of a single edge both ask the same.
 */
import { FARTHEST_PX, FOUR_PLACES } from '@/core/light/shadow';
import { NEAREST_EDGE_PX } from '@/core/light/terms/shadow-edge';
import { MET_CHORD, STOPS_RAY } from '@/core/light/terms/shadow-edge.glsl';
import { STATURE } from '@/core/light/terms/stature.glsl';
import { BLOCK } from '@/core/light/terms/steps.glsl';
import type { ProgramRecord } from '../device';
import { BOX_VERTEX } from './box';
import { HEADER, PLACE, TO_CLIP } from './common';

/** An edge, and its stature (below 0: endless) with whether it stops light from both sides. */
export const EDGE_ATTRIBUTES = { a_edge: 0, a_kind: 1 };
export const EDGE_FLOATS = 8;

/** Uniforms of the light: place or direction toward it, whether it is parallel, and half its size. */
const LIGHT = `
uniform vec4 u_light;
/** Where parallel light comes from for an edge that has a stature. */
uniform vec2 u_ground;
/** The lowest height, or slope, that an edge's stature is held against, and how far it is to the highest. */
uniform vec2 u_low;
`;

const VERTEX = `${HEADER}${TO_CLIP}${LIGHT}
in vec4 a_edge;
in vec4 a_kind;
uniform float u_margin;
uniform float u_far;
uniform float u_outputPerScenePx;
flat out vec4 v_edge;
flat out vec4 v_kind;
vec2 acrossOf(vec2 v) { return vec2(-v.y, v.x); }
void main() {
  v_edge = a_edge;
  v_kind = a_kind;
  bool parallel = u_light.z > 0.5;
  float size = u_light.w;
  vec2 toward = a_kind.x >= 0.0 ? u_ground : u_light.xy;
  vec2 toA = parallel ? -toward : a_edge.xy - u_light.xy;
  vec2 toB = parallel ? -toward : a_edge.zw - u_light.xy;
  vec2 along = a_edge.zw - a_edge.xy;
  float turn = (parallel ? toA.x * along.y - toA.y * along.x : toA.x * toB.y - toA.y * toB.x) >= 0.0 ? 1.0 : -1.0;
  vec2 outA = -turn * acrossOf(normalize(toA));
  vec2 outB = turn * acrossOf(normalize(toB));
  vec2 dirA = normalize(toA + outA * size);
  vec2 dirB = normalize(toB + outB * size);
  // Near to the light, or wider than a wedge can be, an edge may throw its shadow anywhere.
  float t = clamp(-dot(toA, along) / max(dot(along, along), 1e-12), 0.0, 1.0);
  bool wide = !parallel && (length(toA + along * t) < 1.5 * size + 0.5 || dot(dirA, dirB) < -0.85);
  along = normalize(along);
  // The nearer the edge runs to the ray, the farther back it takes to clear its line by the margin.
  float backA = 2.0 * u_margin / max(abs(dirA.x * along.y - dirA.y * along.x), 0.02);
  float backB = 2.0 * u_margin / max(abs(dirB.x * along.y - dirB.y * along.x), 0.02);
  vec2 a = a_edge.xy + outA * u_margin - dirA * backA;
  vec2 b = a_edge.zw + outB * u_margin - dirB * backB;
  vec2 at = gl_VertexID == 0 ? a : gl_VertexID == 1 ? b : gl_VertexID == 2 ? a + dirA * (u_far + backA) : b + dirB * (u_far + backB);
  gl_Position = toClip(at * u_outputPerScenePx);
  if (wide) gl_Position = vec4(vec2(gl_VertexID & 1, gl_VertexID >> 1) * 2.0 - 1.0, 0.0, 1.0);
}`;

const FRAGMENT_HEAD = `${PLACE}${BLOCK}${LIGHT}${STATURE}
flat in vec4 v_edge;
flat in vec4 v_kind;
#ifdef BLOCKED
uniform float u_blockPx;
uniform vec2 u_planeOrigin;
#endif
out vec4 stopped;
float farthestOf(float distance) {
#ifdef STATURE
#ifdef PARALLEL
  const bool isParallel = true;
#else
  const bool isParallel = false;
#endif
  return v_kind.x < 0.0 ? distance : farthestStop(v_kind.x, distance, u_low.x, isParallel);
#else
  return distance;
#endif
}
vec2 askedPlace() {
#ifdef BLOCKED
  return blockPlace(place(), u_planeOrigin, u_blockPx);
#else
  return place();
#endif
}
/** The way to the light, and how far it is. */
vec3 wayFrom(vec2 p) {
#ifdef PARALLEL
  vec2 toward = v_kind.x >= 0.0 ? u_ground : u_light.xy;
  return vec3(toward, length(toward) < 1e-12 ? 0.0 : ${FARTHEST_PX.toExponential()});
#else
  vec2 way = u_light.xy - p;
  float distance = length(way);
  return vec3(way / max(distance, 1e-12), distance < 1e-12 ? 0.0 : distance);
#endif
}
`;

const HARD = `${FRAGMENT_HEAD}${STOPS_RAY}
#ifdef FOUR_PLACES
const vec2 PLACES[4] = vec2[4](${FOUR_PLACES.map(([x, y]) => `vec2(${x}, ${y})`).join(', ')});
#endif
bool stops(vec2 p) {
  vec3 way = wayFrom(p);
  float farthest = min(farthestOf(way.z), way.z - ${NEAREST_EDGE_PX});
  return stopsRay(v_edge, v_kind.y > 0.5, p, way.xy, farthest);
}
void main() {
  vec2 p = askedPlace();
#ifdef FOUR_PLACES
  vec4 sum = vec4(0.0);
  for (int i = 0; i < 4; i++) if (stops(p + PLACES[i] / u_outputPerScenePx)) sum[i] = 1.0;
  stopped = sum;
#else
  stopped = vec4(stops(p) ? 1.0 : 0.0);
#endif
}`;

const SOFT = `${FRAGMENT_HEAD}${MET_CHORD}
void main() {
  vec2 p = askedPlace();
  stopped = vec4(0.0);
  vec3 way = wayFrom(p);
  if (way.z == 0.0) return;
#ifdef PARALLEL
  float far = 1.0;
#else
  float far = way.z;
#endif
  vec3 met = metChord(v_edge, v_kind.y > 0.5, p, way.xy, farthestOf(way.z), far / u_light.w);
  if (met.y <= met.x) return;
  float weight = 1.0;
#ifdef STATURE
  if (v_kind.x >= 0.0) weight = weightAt(v_kind.x, far, met.z, u_low);
#endif
  vec4 low = vec4(-1.0, -0.5, 0.0, 0.5);
  stopped = weight * clamp((min(vec4(met.y), low + 0.5) - max(vec4(met.x), low)) * 2.0, 0.0, 1.0);
}`;

/** What differs between shadows; each combination is compiled when it is first drawn. */
export interface ShadowVariant {
  isSoft: boolean;
  isParallel: boolean;
  isBlocked: boolean;
  /** Some edge throws a shadow that ends. */
  hasStature: boolean;
  /** Asked at four places in the pixel; soft ones at its centre. */
  isFourfold: boolean;
}

export function shadowProgram({
  isSoft,
  isParallel,
  isBlocked,
  hasStature,
  isFourfold,
}: ShadowVariant): ProgramRecord {
  const defines = [
    ['PARALLEL', isParallel],
    ['BLOCKED', isBlocked],
    ['STATURE', hasStature],
    ['FOUR_PLACES', isFourfold],
  ] as const;
  const on = defines.filter(([, is]) => is).map(([name]) => name);
  const head = on.map((name) => `#define ${name}\n`).join('');
  return {
    name: `${isSoft ? 'soft' : 'hard'} shadow ${on.join(' ')}`,
    attributes: EDGE_ATTRIBUTES,
    vertex: VERTEX,
    fragment: `${HEADER}${head}${isSoft ? SOFT : HARD}`,
  };
}

/**
 * How often outlines wind round each pixel: one instance an edge, a polygon from the edge to the left of everything, up or
 * down by its direction. Where the sum is not 0 lies the inside.
 */
export const WINDING_PROGRAM: ProgramRecord = {
  name: 'winding',
  attributes: EDGE_ATTRIBUTES,
  vertex: `${HEADER}${TO_CLIP}
in vec4 a_edge;
uniform float u_left;
uniform float u_outputPerScenePx;
flat out float v_turn;
void main() {
  v_turn = a_edge.w > a_edge.y ? 1.0 : -1.0;
  vec2 at = (gl_VertexID & 1) == 0 ? a_edge.xy : a_edge.zw;
  if (gl_VertexID >= 2) at.x = min(u_left, min(a_edge.x, a_edge.z));
  gl_Position = toClip(at * u_outputPerScenePx);
}`,
  fragment: `${HEADER}
flat in float v_turn;
out vec4 turns;
void main() { turns = vec4(v_turn); }`,
};

/** Adds what stops light within an occluder to a mask, where the outlines wind round the place. */
export const INNER_PROGRAM: ProgramRecord = {
  name: 'inner shade',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${PLACE}${BLOCK}
uniform sampler2D u_inner;
uniform sampler2D u_winding;
uniform float u_blockPx;
uniform vec2 u_planeOrigin;
out vec4 stopped;
void main() {
  vec2 p = blockPlace(place(), u_planeOrigin, u_blockPx);
  ivec2 at = ivec2(floor(p * u_outputPerScenePx - u_origin));
  at = clamp(at, ivec2(0), textureSize(u_winding, 0) - 1);
  if (abs(texelFetch(u_winding, at, 0).r) < 0.5) discard;
  stopped = texelFetch(u_inner, ivec2(gl_FragCoord.xy), 0);
}`,
};

/** Lays what one occluder lets through over a mask, or over one for each channel. */
export const FILTER_PROGRAM: ProgramRecord = {
  name: 'filter',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_stopped;
/** What it stops, a channel. */
uniform vec3 u_stops;
layout(location = 0) out vec4 red;
layout(location = 1) out vec4 green;
layout(location = 2) out vec4 blue;
void main() {
  vec4 stopped = clamp(texelFetch(u_stopped, ivec2(gl_FragCoord.xy), 0), 0.0, 1.0);
  red = stopped * u_stops.r;
  green = stopped * u_stops.g;
  blue = stopped * u_stops.b;
}`,
};
