/**
 * What lights give to a layer, or hang in the air. The terms stand in core/light/terms, beside their twins in TypeScript. Lights that differ by
 * numbers alone are drawn in one draw, an instance each; what reads textures is drawn by itself.
 */
import { CONE } from '@/core/light/terms/cone.glsl';
import { FACING, TOWARDS } from '@/core/light/terms/facing.glsl';
import { FADE } from '@/core/light/terms/fade.glsl';
import { FALL_FACTORS, fallGlsl } from '@/core/light/terms/fall.glsl';
import { OUTSIDE } from '@/core/light/terms/outside.glsl';
import { BANDS, BLOCK } from '@/core/light/terms/steps.glsl';
import { PAST_SHADOW } from '@/core/light/terms/sums.glsl';
import { TABLE } from '@/core/light/terms/table.glsl';
import type { MomentFigure } from '@/core/moment/moment';
import type { ProgramRecord } from '../device';
import { HEADER, PLACE, TO_CLIP } from './common';

/** Attributes of an instance, four floats each. */
export const LIGHT_ATTRIBUTES = { a_place: 0, a_colour: 1, a_shape: 2, a_cone: 3, a_steps: 4, a_box: 5 };
export const LIGHT_FLOATS = 24;

/** What differs between light programs; each combination is compiled when it is first drawn. */
export interface LightVariant {
  figure: MomentFigure;
  curve: number;
  isSteepened: boolean;
  isSquashed: boolean;
  isBanded: boolean;
  isBlocked: boolean;
  /** Its colours, or its curve, are read from a table. */
  hasTable: boolean;
  hasStops: boolean;
  hasGobo: boolean;
  /** It comes from elsewhere than its place; parallel comes from one direction. */
  source: 'own' | 'other' | 'parallel';
  /** Masks of its shadow: none, one, or one for each channel. */
  masks: 0 | 1 | 3;
  hasCasts: boolean;
  /** To what it gives: a surface, the air, or the ambient light. */
  gives: 'surface' | 'air' | 'ambient';
  /** Nothing above 1, as lights that uncover give. */
  isCapped: boolean;
}

export function lightProgram(variant: LightVariant): ProgramRecord {
  const defines = [
    ['CONE', variant.figure === 'cone'],
    ['AREA', variant.figure === 'area'],
    ['EVEN', variant.figure === 'even' || variant.figure === 'picture'],
    ['SQUASHED', variant.isSquashed],
    ['BANDED', variant.isBanded],
    ['BLOCKED', variant.isBlocked],
    ['TABLE', variant.hasTable],
    ['STOPS', variant.hasStops],
    ['GOBO', variant.hasGobo],
    ['SOURCE', variant.source !== 'own'],
    ['PARALLEL', variant.source === 'parallel'],
    ['MASKED', variant.masks > 0],
    ['COLOUR_MASKED', variant.masks === 3],
    ['CASTS', variant.hasCasts],
    ['SURFACE', variant.gives === 'surface'],
    ['AIR', variant.gives === 'air'],
    ['AMBIENT', variant.gives === 'ambient'],
    ['CAPPED', variant.isCapped],
    ['OCTAGON', variant.figure === 'round' && !variant.isSquashed && !variant.hasGobo && !variant.isBlocked],
  ] as const;
  const on = defines.filter(([, is]) => is).map(([name]) => name);
  const head = on.map((name) => `#define ${name}\n`).join('');
  return {
    name: `light ${variant.curve} ${variant.isSteepened} ${on.join(' ')}`,
    attributes: LIGHT_ATTRIBUTES,
    vertex: `${HEADER}${head}${VERTEX}`,
    fragment: `${HEADER}${head}${PLACE}${fallGlsl(variant.curve, variant.isSteepened)}${FRAGMENT}`,
  };
}

const VERTEX = `${TO_CLIP}${FALL_FACTORS}
in vec4 a_place;
in vec4 a_colour;
in vec4 a_shape;
in vec4 a_cone;
in vec4 a_steps;
in vec4 a_box;
uniform float u_outputPerScenePx;
flat out vec4 v_place;
flat out vec4 v_colour;
flat out vec4 v_shape;
flat out vec4 v_cone;
flat out vec4 v_steps;
flat out vec3 v_fall;
void main() {
  v_place = a_place;
  v_colour = a_colour;
  v_shape = a_shape;
  v_cone = a_cone;
  v_steps = a_steps;
  v_fall = fallFactors(a_place.z, a_place.w);
#ifdef OCTAGON
  float angle = (float(gl_VertexID) + 0.5) * 0.78539816;
  // The octagon round a circle, and one pixel more against rounding.
  float radius = a_place.w * 1.0823922 * u_outputPerScenePx + 1.5;
  gl_Position = toClip(a_place.xy * u_outputPerScenePx + radius * vec2(cos(angle), sin(angle)));
#else
  // Four corners are enough: the others fall together with the last.
  int i = min(gl_VertexID, 3);
  vec2 corner = vec2(i == 1 || i == 2 ? a_box.z : a_box.x, i >= 2 ? a_box.w : a_box.y);
  gl_Position = toClip(corner);
#endif
}`;

const FRAGMENT = `
flat in vec4 v_place;
flat in vec4 v_colour;
flat in vec4 v_shape;
flat in vec4 v_cone;
flat in vec4 v_steps;
flat in vec3 v_fall;
#if defined(BLOCKED) || defined(BANDED)
uniform vec2 u_planeOrigin;
${BLOCK}
#endif
#ifdef BANDED
uniform sampler2D u_bayer;
${BANDS}
#endif
#ifdef TABLE
${TABLE}
#endif
#ifdef CONE
${CONE}
#endif
#ifdef SURFACE
${FACING}${TOWARDS}
#endif
#ifdef AREA
uniform sampler2D u_edges;
uniform int u_edgeCount;
${OUTSIDE}
#endif
#ifdef GOBO
precision highp sampler2DArray;
${FADE}
uniform sampler2DArray u_gobo;
uniform float u_goboLayer;
uniform vec4 u_goboFrame;
uniform vec4 u_goboInverse;
uniform vec2 u_goboAt;
uniform vec2 u_goboFade;
uniform bool u_goboNearest;
vec3 goboTexel(ivec2 at) {
  ivec4 frame = ivec4(u_goboFrame);
  vec4 c = texelFetch(u_gobo, ivec3(clamp(at + frame.xy, frame.xy, frame.zw - 1), int(u_goboLayer)), 0);
  return c.rgb * c.a;
}
vec3 goboAt(vec2 q) {
  vec2 uv = vec2(u_goboInverse.x * q.x + u_goboInverse.z * q.y, u_goboInverse.y * q.x + u_goboInverse.w * q.y) + u_goboAt;
  vec2 size = u_goboFrame.zw - u_goboFrame.xy;
  if (uv.x < 0.0 || uv.y < 0.0 || uv.x >= size.x || uv.y >= size.y) return vec3(0.0);
  float fade = fadeAt(uv.x, size.x, u_goboFade.x) * fadeAt(uv.y, size.y, u_goboFade.y);
  vec3 c;
  if (u_goboNearest) c = goboTexel(ivec2(floor(uv)));
  else {
    vec2 at = uv - 0.5;
    vec2 low = floor(at);
    vec2 f = at - low;
    ivec2 t = ivec2(low);
    c = mix(mix(goboTexel(t), goboTexel(t + ivec2(1, 0)), f.x), mix(goboTexel(t + ivec2(0, 1)), goboTexel(t + ivec2(1, 1)), f.x), f.y);
  }
  return c * fade;
}
#endif
#ifdef SOURCE
uniform vec3 u_source;
#endif
#if defined(MASKED) || defined(CASTS)
uniform vec3 u_shadowLet;
${PAST_SHADOW}
#endif
#ifdef MASKED
uniform sampler2D u_mask;
uniform vec2 u_maskOrigin;
#ifdef COLOUR_MASKED
uniform sampler2D u_maskGreen;
uniform sampler2D u_maskBlue;
#endif
#endif
#ifdef CASTS
uniform sampler2D u_casts;
#endif
#ifdef SURFACE
uniform sampler2D u_normal;
#endif
out vec4 light;
void main() {
  vec2 p = place();
#ifdef BLOCKED
  vec2 q = blockPlace(p, u_planeOrigin, v_steps.z);
#else
  vec2 q = p;
#endif
  float share = 1.0;
  float u = 0.0;
#ifndef EVEN
  vec2 d = v_place.xy - q;
#ifdef AREA
  float away = outside(q);
  share = away == 0.0 ? 1.0 : fallAt(away, away * away, v_place.z, v_place.w, v_fall, v_shape.x);
#else
  float planar2 = dot(d, d);
#ifdef SQUASHED
  vec2 squashed = d * vec2(1.0, v_colour.a);
  float away2 = dot(squashed, squashed);
#else
  float away2 = planar2;
#endif
  float away = sqrt(away2);
  share = fallAt(away, away2, v_place.z, v_place.w, v_fall, v_shape.x);
#endif
#ifdef STOPS
  u = away <= v_place.z ? 0.0 : away >= v_place.w ? 1.0 : (away - v_place.z) * v_fall.x;
#endif
#ifdef CONE
  share *= coneAt(v_cone, -d);
#endif
#endif
#ifdef BANDED
  {
    ivec2 cell = ivec2(floor((p - u_planeOrigin) / max(v_steps.z, 1.0)));
    share = banded(share, v_steps.x, v_steps.y > 0.0 ? ditherAt(u_bayer, cell) : 0.5);
  }
#endif
#ifdef STOPS
  vec3 colour = tableAt(u).rgb;
#else
  vec3 colour = v_colour.rgb;
#endif
#ifdef GOBO
  colour *= goboAt(q);
#endif
#ifdef AMBIENT
  light = vec4(colour, 1.0) * share;
#else
#ifdef SURFACE
  {
    vec3 n = texelFetch(u_normal, ivec2(gl_FragCoord.xy), 0).xyz;
    float size2 = dot(n, n);
    if (size2 < 0.0001) {
      n = vec3(0.0, 0.0, 1.0);
      size2 = 1.0;
    }
#ifdef PARALLEL
    float towards = dot(n, u_source) * inversesqrt(size2);
#else
#ifdef SOURCE
    float towards = towardsLight(n, size2, u_source.xy - q, u_source.z);
#else
    float towards = towardsLight(n, size2, d, v_shape.y);
#endif
#endif
    share *= facing(towards, v_steps.w, v_shape.z);
  }
#else
  share *= v_shape.w;
#endif
  vec3 given = colour * share;
#if defined(MASKED) || defined(CASTS)
  vec3 through = vec3(1.0);
#endif
#ifdef MASKED
  {
    ivec2 at = ivec2(gl_FragCoord.xy + u_origin - u_maskOrigin);
    float red = dot(texelFetch(u_mask, at, 0), vec4(0.25));
#ifdef COLOUR_MASKED
    vec3 stopped = vec3(red, dot(texelFetch(u_maskGreen, at, 0), vec4(0.25)), dot(texelFetch(u_maskBlue, at, 0), vec4(0.25)));
#else
    vec3 stopped = vec3(red);
#endif
    through -= stopped;
  }
#endif
#ifdef CASTS
  through *= texelFetch(u_casts, ivec2(gl_FragCoord.xy), 0).r;
#endif
#if defined(MASKED) || defined(CASTS)
  given *= pastShadow(through, u_shadowLet);
#endif
#ifdef CAPPED
  given = min(given, 1.0);
#endif
  light = vec4(given, 0.0);
#endif
}`;
