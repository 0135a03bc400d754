import { CURVE_DRAWN, CURVE_EASED, CURVE_EVEN, CURVE_NATURAL, CURVE_STRAIGHT } from '@/core/moment/moment';

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
float decode(float v) { return v <= 0.04045 ? v / 12.92 : pow((v + 0.055) / 1.055, 2.4); }
vec3 decode3(vec3 v) { return vec3(decode(v.r), decode(v.g), decode(v.b)); }
vec3 encode3(vec3 v) { return vec3(encode(v.r), encode(v.g), encode(v.b)); }
`;

/** Twin of core/light/fall.ts: GLSL for the base of each curve, by its number, from u, d squared and the knee. */
const CURVE_GLSL: Record<number, string> = {
  [CURVE_STRAIGHT]: '1.0 - u',
  [CURVE_EASED]: '1.0 - u * u * (3.0 - 2.0 * u)',
  [CURVE_NATURAL]: '(1.0 - u * u * u * u) * (1.0 - u * u * u * u) * knee.y / (knee.x + max(d2, core * core))',
  [CURVE_EVEN]: '1.0',
  [CURVE_DRAWN]: 'tableAt(u).a',
};

/**
 * The falloff of one curve, as a function of its own: a branch over curves costs as much as all of them. What is the
 * same over a whole light is worked out once a vertex: `d2` is d squared, `knee` is (k squared, k squared + core squared), `perPx` one
 * over the distance from core to reach.
 */
export function fallGlsl(curve: number, isSteepened: boolean): string {
  return `${curve === CURVE_DRAWN ? 'vec4 tableAt(float u);\n' : ''}
float fallAt(float d, float d2, float core, float reach, float perPx, vec2 knee, float steepness) {
  // Within the core every curve is 1 by itself, as it is at u = 0.
  float u = max(0.0, (d - core) * perPx);
  float base = ${CURVE_GLSL[curve]};
  ${isSteepened ? 'base = pow(max(base, 0.0), steepness);' : ''}
  return d >= reach ? 0.0 : base;
}
`;
}

/** Twin of `blockPlace` in core/light/emission.ts. */
export const BLOCK = `
vec2 blockPlace(vec2 p, vec2 origin, float block) {
  return block == 0.0 ? p : origin + (floor((p - origin) / block) + 0.5) * block;
}
`;

/** Width of textures that hold edges, one a texel, row by row. */
export const EDGE_TEXTURE_WIDTH = 1024;

/** Twin of `distanceOutside` in core/light/emission.ts, over edges in a texture. */
export const OUTSIDE = `
float outside(vec2 p) {
  bool inside = false;
  float best = 1e30;
  for (int i = 0; i < u_edgeCount; i++) {
    vec4 e = texelFetch(u_edges, ivec2(i & ${EDGE_TEXTURE_WIDTH - 1}, i / ${EDGE_TEXTURE_WIDTH}), 0);
    vec2 way = e.zw - e.xy;
    vec2 to = p - e.xy;
    if ((e.y <= p.y) != (e.w <= p.y)) {
      float side = way.x * to.y - way.y * to.x;
      if ((side > 0.0) == (e.w > e.y)) inside = !inside;
    }
    vec2 off = to - way * clamp(dot(to, way) / max(dot(way, way), 1e-20), 0.0, 1.0);
    best = min(best, dot(off, off));
  }
  return inside ? 0.0 : sqrt(best);
}
`;
