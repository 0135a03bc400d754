/**
 * The sprites of a layer, one instance each. Gathered: albedo, normal, glow and, where
 * lights give to them, rims, premultiplied, each with its alpha.
 * Direct: where no light but the even one reaches the layer it goes straight onto the picture, which comes to the same and
 * saves the sums. Overlay: as direct, in display values. A grid reads the frame of its cell instead of one frame.
 */
import { CELL_FRAMES, DIAGONAL, FLIP_X, FLIP_Y } from '@/core/art/tiles';
import type { ProgramRecord } from '../device';
import { HEADER, PLACE, TO_CLIP, TRANSFER } from './common';

export const LAYER_MODES = ['gather', 'gather rims', 'direct', 'overlay'] as const;
export type LayerMode = (typeof LAYER_MODES)[number];

/** Floats of an instance: seven attributes of four. */
export const SPRITE_FLOATS = 28;
export const SPRITE_ATTRIBUTES = {
  a_inverse: 0,
  a_at: 1,
  a_frame: 2,
  a_turn: 3,
  a_box: 4,
  a_page: 5,
  a_colour: 6,
};

/** What an instance is, as bits. */
export const HAS_NORMALS = 1;
export const HAS_MASKS = 2;
export const SELF_LIT = 4;
export const IS_PLAIN = 8;

const names = Object.keys(SPRITE_ATTRIBUTES).filter((name) => name !== 'a_box');

const VERTEX = `${HEADER}${TO_CLIP}
in vec4 a_box;
${names.map((name) => `in vec4 ${name};\nflat out vec4 ${name.replace('a_', 'v_')};`).join('\n')}
void main() {
${names.map((name) => `  ${name.replace('a_', 'v_')} = ${name};`).join('\n')}
  vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1);
  gl_Position = toClip(mix(a_box.xy, a_box.zw, corner));
}`;

const GRID = `
uniform highp usampler2D u_cells;
uniform highp usampler2D u_frames;
uniform vec2 u_cellPx;
int orientation;

/** The frame under a place of the grid; the place becomes one of the frame. */
bool findTile(inout vec2 uv, inout vec4 frame) {
  ivec2 cell = ivec2(floor(uv / u_cellPx));
  uint value = texelFetch(u_cells, cell, 0).r;
  if (value == 0u) return false;
  orientation = int((value - 1u) / ${CELL_FRAMES}u);
  vec4 own = vec4(texelFetch(u_frames, ivec2(int((value - 1u) % ${CELL_FRAMES}u), 0), 0));
  frame = vec4(own.xy, own.xy + own.zw) + v_page.zwzw;
  uv -= vec2(cell) * u_cellPx;
  if ((orientation & ${FLIP_X}) != 0) uv.x = u_cellPx.x - uv.x;
  if ((orientation & ${FLIP_Y}) != 0) uv.y = u_cellPx.y - uv.y;
  if ((orientation & ${DIAGONAL}) != 0) uv = uv.yx;
  return uv.x >= 0.0 && uv.y >= 0.0 && uv.x < own.z && uv.y < own.w;
}

void turnFacing() {
  if ((orientation & ${DIAGONAL}) != 0) facing.xy = facing.yx;
  if ((orientation & ${FLIP_X}) != 0) facing.x = -facing.x;
  if ((orientation & ${FLIP_Y}) != 0) facing.y = -facing.y;
}
`;

function layerProgram(mode: LayerMode, isGrid: boolean): ProgramRecord {
  const isGather = mode === 'gather' || mode === 'gather rims';
  const hasRims = mode === 'gather rims';
  return {
    name: `${mode}${isGrid ? ' grid' : ''}`,
    vertex: VERTEX,
    attributes: SPRITE_ATTRIBUTES,
    fragment: `${HEADER}${isGather ? '#define GATHER\n' : ''}${PLACE}${mode === 'overlay' ? TRANSFER : ''}
precision highp sampler2DArray;
${names.map((name) => `flat in vec4 ${name.replace('a_', 'v_')};`).join('\n')}
uniform sampler2DArray u_art;
uniform sampler2DArray u_masks;
uniform vec3 u_tint;
uniform bool u_nearest;
#ifdef GATHER
uniform sampler2DArray u_normals;
layout(location = 0) out vec4 albedo;
layout(location = 1) out vec4 normal;
layout(location = 2) out vec4 glow;
${hasRims ? 'layout(location = 3) out vec4 rims;' : ''}
#else
uniform vec3 u_light;
out vec4 picture;
#endif
${mode === 'overlay' ? 'uniform bool u_linear;' : ''}

int flags;
vec4 colours;
vec3 facing;
vec2 shine;
${isGrid ? GRID : ''}

float value(float c) { float b = floor(c * 255.0 + 0.5); return b == 127.0 || b == 128.0 ? 0.0 : 2.0 * c - 1.0; }

void addTexel(ivec4 frame, ivec2 at, float weight) {
  ivec3 t = ivec3(clamp(at + frame.xy, frame.xy, frame.zw - 1), int(v_page.x));
  vec4 c = texelFetch(u_art, t, 0);
  float share = weight * c.a;
  // Art of linear scenes lies in an sRGB texture and is decoded by the fetch.
  colours += vec4(c.rgb, 1.0) * share;
#ifdef GATHER
  if ((flags & ${HAS_NORMALS}) != 0) {
    vec3 n = texelFetch(u_normals, t, 0).rgb;
    facing += share * vec3(value(n.r), -value(n.g), value(n.b));
  }
#endif
  if ((flags & ${HAS_MASKS}) != 0) shine += share * texelFetch(u_masks, t, 0).rg;
}

void readArt(vec2 uv, vec4 framePlace) {
  ivec4 frame = ivec4(framePlace);
  if (u_nearest) {
    addTexel(frame, ivec2(floor(uv)), 1.0);
    return;
  }
  vec2 q = uv - 0.5;
  vec2 low = floor(q);
  vec2 f = q - low;
  ivec2 t = ivec2(low);
  addTexel(frame, t, (1.0 - f.x) * (1.0 - f.y));
  addTexel(frame, t + ivec2(1, 0), f.x * (1.0 - f.y));
  addTexel(frame, t + ivec2(0, 1), (1.0 - f.x) * f.y);
  addTexel(frame, t + ivec2(1, 1), f.x * f.y);
}

void main() {
  vec2 p = place();
  vec2 uv = vec2(v_inverse.x * p.x + v_inverse.z * p.y, v_inverse.y * p.x + v_inverse.w * p.y) + v_at.xy;
  vec2 framePx = v_frame.zw - v_frame.xy;
  if (uv.x < 0.0 || uv.y < 0.0 || uv.x >= framePx.x || uv.y >= framePx.y) discard;
  flags = int(v_page.y);
  colours = vec4(0.0);
  facing = vec3(0.0);
  shine = vec2(0.0);
  if ((flags & ${IS_PLAIN}) != 0) colours = vec4(v_colour.rgb, 1.0);
  else {
    vec4 frame = v_frame;
    ${isGrid ? 'if (!findTile(uv, frame)) discard;' : ''}
    readArt(uv, frame);
  }
  if (colours.a == 0.0) discard;
  float glowShare = (flags & ${SELF_LIT}) != 0 ? 1.0 : shine.r / colours.a;
  float size = length(facing) / colours.a;
  float rimShare = shine.g / colours.a;
  colours *= v_at.z;
  vec3 shaded = colours.rgb * u_tint * (1.0 - glowShare);
  vec3 shining = colours.rgb * glowShare * v_at.w;
${
  isGather
    ? `
  vec3 n = vec3(0.0, 0.0, 1.0);
  if ((flags & ${HAS_NORMALS}) != 0 && size >= 0.1) {
    ${isGrid ? 'turnFacing();' : ''}
    facing = normalize(facing);
    n = normalize(vec3(dot(v_turn.xy, facing.xy), dot(v_turn.zw, facing.xy), facing.z));
  }
  albedo = vec4(shaded, colours.a);
  normal = vec4((flags & ${SELF_LIT}) != 0 ? vec3(0.0) : n * colours.a, colours.a);
  glow = vec4(shining, colours.a);
  ${hasRims ? `rims = vec4((flags & ${SELF_LIT}) != 0 ? vec3(0.0) : vec3(rimShare * colours.a), colours.a);` : ''}`
    : mode === 'direct'
      ? '  picture = vec4(shaded * u_light + shining, colours.a);'
      : `
  vec3 shown = (shaded * u_light + shining) / colours.a;
  picture = vec4(clamp(u_linear ? encode3(shown) : shown, 0.0, 1.0) * colours.a, colours.a);`
}
}`,
  };
}

const PROGRAMS = new Map(
  LAYER_MODES.flatMap((mode) =>
    [false, true].map((isGrid) => [`${mode} ${isGrid}`, layerProgram(mode, isGrid)] as const),
  ),
);

export function spriteProgram(mode: LayerMode, isGrid: boolean): ProgramRecord {
  return PROGRAMS.get(`${mode} ${isGrid}`)!;
}
