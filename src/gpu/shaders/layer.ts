/**
 * The sprites of a layer, one instance each. Gathered: albedo, normal, glow and, where
 * lights give to them, rims, premultiplied, each with its alpha.
 * Direct: where no light but the even one reaches the layer it goes straight onto the picture, which comes to the same and
 * saves the sums. A grid reads the frame of its cell instead of one frame.
 */
import { CELL_FRAMES, DIAGONAL, FLIP_X, FLIP_Y } from '@/core/art/tiles';
import { PLACE_IN_TILE } from '@/core/art/tiles.glsl';
import { NORMAL_VALUE } from '@/core/light/terms/facing.glsl';
import type { MomentDrift } from '@/core/moment/moment';
import { driftCode } from '@/core/weather/drift.glsl';
import type { ProgramRecord } from '../device';
import { HEADER, PLACE, TO_CLIP } from './common';

export type LayerMode = 'gather' | 'gather rims' | 'direct';

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
/** What drifts is read nearer to its foot. */
export const STANDS = 16;

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
${PLACE_IN_TILE}

/** The frame under a place of the grid; the place becomes one of the frame. */
bool findTile(inout vec2 uv, inout vec4 frame) {
  ivec2 cell = ivec2(floor(uv / u_cellPx));
  uint value = texelFetch(u_cells, cell, 0).r;
  if (value == 0u) return false;
  orientation = int((value - 1u) / ${CELL_FRAMES}u);
  vec4 own = vec4(texelFetch(u_frames, ivec2(int((value - 1u) % ${CELL_FRAMES}u), 0), 0));
  frame = vec4(own.xy, own.xy + own.zw) + v_page.zwzw;
  uv = placeInTile(orientation, uv - vec2(cell) * u_cellPx, u_cellPx);
  return uv.x >= 0.0 && uv.y >= 0.0 && uv.x < own.z && uv.y < own.w;
}

void turnFacing() {
  if ((orientation & ${DIAGONAL}) != 0) facing.xy = facing.yx;
  if ((orientation & ${FLIP_X}) != 0) facing.x = -facing.x;
  if ((orientation & ${FLIP_Y}) != 0) facing.y = -facing.y;
}
`;

/** What differs between sprite programs; each combination is compiled when it is first drawn. */
export interface SpriteVariant {
  mode: LayerMode;
  isGrid: boolean;
  /** Art is read by the nearest texel. */
  isNearest: boolean;
  /** What any of the sprites is, as bits: what none is costs nothing. */
  traits: number;
  /** None of them reads art. */
  isAllPlain: boolean;
  /** Something of the layer glows: else there is no target for it. */
  hasGlow: boolean;
  /** What drifts over it, in its order. */
  drifts: readonly MomentDrift['kind'][];
}

export function spriteProgram({
  mode,
  isGrid,
  isNearest,
  traits,
  isAllPlain,
  hasGlow,
  drifts,
}: SpriteVariant): ProgramRecord {
  const hasRims = mode === 'gather rims';
  const defines = [
    ['GATHER', isGathering(mode)],
    ['RIMS', hasRims],
    ['GLOW', hasGlow],
    ['GRID', isGrid],
    ['NEAREST', isNearest],
    ['ART', !isAllPlain],
    ['PLAIN', (traits & IS_PLAIN) !== 0],
    ['NORMALS', isGathering(mode) && (traits & HAS_NORMALS) !== 0],
    ['MASKS', (traits & HAS_MASKS) !== 0],
    ['LIT', (traits & SELF_LIT) !== 0],
  ] as const;
  const on = defines.filter(([, is]) => is).map(([name]) => name);
  // Where nothing glows, rims stand in the place of what does.
  const rimsAt = `#define RIMS_AT ${hasGlow ? 3 : 2}\n`;
  const head = on.map((name) => `#define ${name}\n`).join('') + (hasRims ? rimsAt : '');
  return {
    name: `sprites ${on.join(' ')} ${drifts.join(' ')}`,
    vertex: VERTEX,
    attributes: SPRITE_ATTRIBUTES,
    fragment: `${HEADER}${head}${PLACE}${fragment(drifts)}`,
  };
}

/** Whether a mode fills the sums of a layer. */
export function isGathering(mode: LayerMode): boolean {
  return mode === 'gather' || mode === 'gather rims';
}

const fragment = (drifts: SpriteVariant['drifts']) => `
precision highp sampler2DArray;
${names.map((name) => `flat in vec4 ${name.replace('a_', 'v_')};`).join('\n')}
uniform vec3 u_tint;
#ifdef ART
uniform sampler2DArray u_art;
#endif
#ifdef MASKS
uniform sampler2DArray u_masks;
#endif
#ifdef NORMALS
uniform sampler2DArray u_normals;
#endif
#ifdef GATHER
layout(location = 0) out vec4 albedo;
layout(location = 1) out vec4 normal;
#ifdef GLOW
layout(location = 2) out vec4 glow;
#endif
#ifdef RIMS
layout(location = RIMS_AT) out vec4 rims;
#endif
#else
uniform vec3 u_light;
out vec4 picture;
#endif

${drifts.length > 0 ? driftCode(drifts).head : ''}

int flags;
vec4 colours;
vec3 facing;
vec2 shine;
#ifdef GRID
${GRID}
#endif

${NORMAL_VALUE}
#ifdef ART
void addTexel(ivec4 frame, ivec2 at, float weight) {
  ivec3 t = ivec3(clamp(at + frame.xy, frame.xy, frame.zw - 1), int(v_page.x));
  vec4 c = texelFetch(u_art, t, 0);
  float share = weight * c.a;
  // Art of linear scenes lies in an sRGB texture and is decoded by the fetch.
  colours += vec4(c.rgb, 1.0) * share;
#ifdef NORMALS
  if ((flags & ${HAS_NORMALS}) != 0) {
    vec3 n = texelFetch(u_normals, t, 0).rgb;
    facing += share * vec3(normalValue(n.r), -normalValue(n.g), normalValue(n.b));
  }
#endif
#ifdef MASKS
  if ((flags & ${HAS_MASKS}) != 0) shine += share * texelFetch(u_masks, t, 0).rg;
#endif
}

/** The frame's place on its page, and its size as the art has it: of a halved level it takes a part of that. */
void readArt(vec2 uv, vec4 framePlace) {
#ifdef NEAREST
  addTexel(ivec4(framePlace), ivec2(floor(uv)), 1.0);
#else
  float scale = v_colour.a;
  ivec4 frame = ivec4(framePlace.xy, framePlace.xy + ceil((framePlace.zw - framePlace.xy) * scale));
  vec2 q = uv * scale - 0.5;
  vec2 low = floor(q);
  vec2 f = q - low;
  ivec2 t = ivec2(low);
  addTexel(frame, t, (1.0 - f.x) * (1.0 - f.y));
  addTexel(frame, t + ivec2(1, 0), f.x * (1.0 - f.y));
  addTexel(frame, t + ivec2(0, 1), (1.0 - f.x) * f.y);
  addTexel(frame, t + ivec2(1, 1), f.x * f.y);
#endif
}
#endif

void main() {
  vec2 p = place();
  vec2 uv = vec2(v_inverse.x * p.x + v_inverse.z * p.y, v_inverse.y * p.x + v_inverse.w * p.y) + v_at.xy;
  vec2 framePx = v_frame.zw - v_frame.xy;
  if (uv.x < 0.0 || uv.y < 0.0 || uv.x >= framePx.x || uv.y >= framePx.y) discard;
  flags = int(v_page.y);
  colours = vec4(0.0);
  facing = vec3(0.0);
  shine = vec2(0.0);
#ifdef PLAIN
  if ((flags & ${IS_PLAIN}) != 0) colours = vec4(v_colour.rgb, 1.0);
#endif
#ifdef ART
  if ((flags & ${IS_PLAIN}) == 0) {
    vec4 frame = v_frame;
#ifdef GRID
    if (!findTile(uv, frame)) discard;
#endif
    readArt(uv, frame);
  }
#endif
  if (colours.a == 0.0) discard;
  float glowShare = 0.0;
  float rimShare = 0.0;
#ifdef MASKS
  glowShare = shine.r / colours.a;
  rimShare = shine.g / colours.a;
#endif
  bool lit = false;
#ifdef LIT
  lit = (flags & ${SELF_LIT}) != 0;
  if (lit) glowShare = 1.0;
#endif
  // A lantern that is out, or burns low, is lit from outside like all else.
  float ownShare = lit ? 1.0 : glowShare * min(1.0, v_at.w);
#ifdef NORMALS
  float size = length(facing) / colours.a;
#endif
  colours *= v_at.z;
  vec3 shaded = colours.rgb * u_tint * (1.0 - ownShare);
  vec3 shining = colours.rgb * glowShare * v_at.w;
${drifts.length > 0 ? `  bool stands = (flags & ${STANDS}) != 0;${driftCode(drifts).body}` : ''}
#ifdef GATHER
  vec3 n = vec3(0.0, 0.0, 1.0);
#ifdef NORMALS
  if ((flags & ${HAS_NORMALS}) != 0 && size >= 0.1) {
#ifdef GRID
    turnFacing();
#endif
    facing = normalize(facing);
    n = normalize(vec3(dot(v_turn.xy, facing.xy), dot(v_turn.zw, facing.xy), facing.z));
  }
#endif
  albedo = vec4(shaded, colours.a);
  normal = vec4(lit ? vec3(0.0) : n * colours.a, colours.a);
#ifdef GLOW
  glow = vec4(shining, colours.a);
#endif
#ifdef RIMS
  rims = vec4(vec3(lit ? 0.0 : rimShare * colours.a), colours.a);
#endif
#else
  vec3 shown = shaded * u_light + shining;
  picture = vec4(shown, colours.a);
#endif
}`;
