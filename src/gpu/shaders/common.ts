import { FOUR_PLACES, NEAREST_EDGE_PX } from '@/core/light/shadow';
import { CURVE_EASED, CURVE_EVEN, CURVE_NATURAL, CURVE_STRAIGHT } from '@/core/moment/moment';

/** Pieces that several programs share. Places are scene px from the view's corner; rows run from the top. */
export const HEADER = `#version 300 es
precision highp float;
precision highp int;
precision highp sampler2D;
`;

/** A box in output pixels to clip space; row 0 of every target is the top of the picture. */
export const TO_CLIP = `
uniform vec2 u_targetPx;
uniform vec2 u_targetOrigin;
vec4 toClip(vec2 outputPx) { return vec4((outputPx - u_targetOrigin) / u_targetPx * 2.0 - 1.0, 0.0, 1.0); }
`;

/** The scene place of the fragment's centre. */
export const PLACE = `
uniform float u_outputPerScenePx;
uniform vec2 u_origin;
vec2 place() { return (gl_FragCoord.xy + u_origin) / u_outputPerScenePx; }
`;

export const TRANSFER = `
float encode(float v) { return v <= 0.0 ? 0.0 : v <= 0.0031308 ? v * 12.92 : 1.055 * pow(v, 1.0 / 2.4) - 0.055; }
vec3 encode3(vec3 v) { return vec3(encode(v.r), encode(v.g), encode(v.b)); }
`;

/** Twin of core/light/fall.ts: GLSL for the base of each curve, by its number, from u, d and the knee. */
const CURVE_GLSL: Record<number, string> = {
  [CURVE_STRAIGHT]: '1.0 - u',
  [CURVE_EASED]: '1.0 - u * u * (3.0 - 2.0 * u)',
  [CURVE_NATURAL]: '(1.0 - u * u * u * u) * (1.0 - u * u * u * u) * knee.y / (knee.x + d * d)',
  [CURVE_EVEN]: '1.0',
};

/**
 * The falloff of one curve, as a function of its own: a branch over curves costs as much as all of them. What is the
 * same over a whole light is worked out once a vertex: `knee` is (k squared, k squared + core squared), `perPx` one
 * over the distance from core to reach.
 */
export function fallGlsl(curve: number, isSteepened: boolean): string {
  return `
float fallAt(float d, float core, float reach, float perPx, vec2 knee, float steepness) {
  float u = (d - core) * perPx;
  float base = ${CURVE_GLSL[curve]};
  ${isSteepened ? 'base = pow(max(base, 0.0), steepness);' : ''}
  return d >= reach ? 0.0 : d <= core ? 1.0 : base;
}
`;
}

/** Twin of core/light/shadow.ts: whether edge a-b lies across the way from p to the light. */
export const STOPS = `
bool stops(vec2 a, vec2 b, bool bothSides, vec2 p, vec2 light) {
  vec2 toLight = light - p;
  float distance = length(toLight);
  if (distance == 0.0) return false;
  vec2 w = toLight / distance;
  vec2 pa = a - p;
  vec2 pb = b - p;
  float acrossA = w.x * pa.y - w.y * pa.x;
  float acrossB = w.x * pb.y - w.y * pb.x;
  if ((acrossA < 0.0) == (acrossB < 0.0)) return false;
  float alongA = dot(w, pa);
  float alongB = dot(w, pb);
  float z = alongA + (alongB - alongA) * acrossA / (acrossA - acrossB);
  return z > ${NEAREST_EDGE_PX} && z < distance && (bothSides || acrossA < 0.0);
}
uniform bool u_fourPlaces;
uniform float u_outputPerScenePx;
const vec2 PLACES[4] = vec2[4](${FOUR_PLACES.map(([x, y]) => `vec2(${x}, ${y})`).join(', ')});
vec2 placeOf(vec2 p, int i) { return u_fourPlaces ? p + PLACES[i] / u_outputPerScenePx : p; }
`;
