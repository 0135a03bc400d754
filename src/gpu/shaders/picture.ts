/** From a layer's sums to the picture, and from the picture to the screen. */
import { washCode, washPoint } from '@/core/weather/wash.glsl';
import type { PassName } from '@/core/finish/all-passes';
import { SUMS } from '@/core/light/terms/sums.glsl';
import { srgbEncode } from '@/core/raster/colour';
import type { LayerSums } from '../layer-light';
import type { ProgramRecord } from '../device';
import { pointPass } from '@/core/finish/all-passes.glsl';
import { BOX_VERTEX } from './box';
import { TRANSFER } from '@/core/raster/colour.glsl';
import { HEADER } from './common';

/** What a layer's light is made of; each combination is compiled when it is first drawn. */
export interface CompositeVariant {
  /** The sums that there are. */
  sums: readonly (keyof LayerSums)[];
  hasGlow: boolean;
  isSeenWhenLit: boolean;
}

/** Lays a lit layer over the picture. */
export function compositeProgram({ sums, hasGlow, isSeenWhenLit }: CompositeVariant): ProgramRecord {
  const [add, lighten, covered, taken, rim, instead, added] = (
    ['add', 'lighten', 'covered', 'taken', 'rim', 'instead', 'added'] as const
  ).map((name) => sums.includes(name));
  const samplers = [...sums, ...(hasGlow ? ['glow'] : []), ...(rim ? ['rims'] : [])].map(
    (name) => `uniform sampler2D u_${name};\n`,
  );
  const read = (name: string) => `texelFetch(u_${name}, at, 0)`;
  const sumOr = (isThere: boolean, name: string, rest: 0 | 1) =>
    isThere ? `${read(name)}.rgb` : `vec3(${rest}.0)`;
  return {
    name: `composite ${sums.join(' ')} ${hasGlow} ${isSeenWhenLit}`,
    vertex: BOX_VERTEX,
    fragment: `${HEADER}${SUMS}
uniform sampler2D u_albedo;
${samplers.join('')}${isSeenWhenLit ? 'uniform float u_gain;\n' : ''}
uniform vec3 u_ambient;
uniform vec3 u_workLamp;
out vec4 picture;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  vec4 a = texelFetch(u_albedo, at, 0);
  vec4 instead = ${instead ? read('instead') : 'vec4(0.0)'};
  vec3 ambient = ambientOf(u_ambient, instead.rgb, instead.a, ${sumOr(added, 'added', 0)});
  vec3 sum = ambient + ${sumOr(add, 'add', 0)};
  vec3 light = lightOf(sum, ${sumOr(lighten, 'lighten', 0)}, ${sumOr(covered, 'covered', 1)}, ${sumOr(taken, 'taken', 0)}) + u_workLamp;
  float shows = ${isSeenWhenLit ? 'shownShare(u_gain, light, ambient)' : '1.0'};
  vec3 lit = a.rgb * light${rim ? ` + ${read('rims')}.r * ${read('rim')}.rgb` : ''};
  picture = vec4(lit * shows${hasGlow ? ` + ${read('glow')}.rgb` : ''}, a.a * shows);
}`,
  };
}

/** Lays a layer of an overlay plane, in light space, over the overlay, in display values. */
export function overlayProgram(isLinear: boolean): ProgramRecord {
  return {
    name: `overlay ${isLinear}`,
    vertex: BOX_VERTEX,
    fragment: `${HEADER}${isLinear ? TRANSFER : ''}
uniform sampler2D u_layer;
out vec4 overlay;
void main() {
  vec4 c = texelFetch(u_layer, ivec2(gl_FragCoord.xy), 0);
  if (c.a == 0.0) discard;
  vec3 shown = c.rgb / c.a;
  overlay = vec4(clamp(${isLinear ? 'encode3(shown)' : 'shown'}, 0.0, 1.0) * c.a, c.a);
}`,
  };
}

/** Steps of the transfer's table, over square roots: between them it is straight to a fiftieth of a byte. */
export const TRANSFER_STEPS = 256;

/**
 * sRGB over the square root of 0 to 1, as pairs of neighbouring values: three powers a pixel take longer than all else of
 * the finish.
 */
export function transferTable(): Float32Array {
  const table = new Float32Array(2 * TRANSFER_STEPS);
  const at = (i: number) => srgbEncode((i / TRANSFER_STEPS) * (i / TRANSFER_STEPS));
  for (let i = 0; i < TRANSFER_STEPS; i++) {
    table[2 * i] = at(i);
    table[2 * i + 1] = at(i + 1);
  }
  return table;
}

export interface EncodeVariant {
  isLinear: boolean;
  /** The passes after the planes that change anything. */
  passes: readonly PassName[];
  isDithered: boolean;
  hasOverlay: boolean;
  /** How washes are read, and how many; null where there is none. */
  washes: { reading: WashReading; count: number } | null;
}

/** Worked out at each pixel, or read between colours that were worked out some px apart. */
export type WashReading = 'exact' | 'near';

const toLightSpace = (isLinear: boolean) => (isLinear ? '' : 'own = encode3(own);');

/** The colours of washes, some px apart; see wash.glsl.ts. */
export function washColoursProgram(isLinear: boolean): ProgramRecord {
  return {
    name: `wash colours ${isLinear}`,
    vertex: BOX_VERTEX,
    fragment: `${HEADER}${isLinear ? '' : TRANSFER}${washPoint(toLightSpace(isLinear))}
uniform float u_washStep;
uniform float u_washPerPx;
uniform float u_washHeight;
out vec4 colour;
void main() {
  vec2 node = floor(gl_FragCoord.xy);
  float row = floor(node.y / u_washHeight);
  colour = washAt(int(row), vec2(node.x, node.y - row * u_washHeight) * u_washStep / u_washPerPx);
}`,
  };
}

/**
 * Light space to finished, encoded bytes; twin of core/light/reference.ts. Painted scenes get an ordered dither within half a
 * step, against banding.
 */
export function encodeProgram({
  isLinear,
  passes,
  isDithered,
  hasOverlay,
  washes,
}: EncodeVariant): ProgramRecord {
  const isPlain = passes.length === 0;
  const isEncoded = isLinear || !isPlain;
  return {
    name: `encode ${isLinear} ${passes.join(' ')} ${isDithered} ${hasOverlay} ${washes?.reading} ${washes?.count}`,
    vertex: BOX_VERTEX,
    fragment: `${HEADER}${isLinear || (isPlain && washes?.reading !== 'exact') ? '' : TRANSFER}
uniform sampler2D u_picture;
${hasOverlay ? 'uniform sampler2D u_overlay;' : ''}
${isDithered ? 'uniform sampler2D u_bayer;' : ''}
${passes.map((name) => pointPass(name).uniforms).join('\n')}
out vec4 colour;
${washes ? washCode(washes.reading === 'near' ? null : toLightSpace(isLinear), washes.count) : ''}
${
  isEncoded
    ? `uniform sampler2D u_transfer;
float shown(float root) {
  float at = root * ${TRANSFER_STEPS}.0;
  int i = min(int(at), ${TRANSFER_STEPS - 1});
  vec2 pair = texelFetch(u_transfer, ivec2(i, 0), 0).rg;
  return mix(pair.x, pair.y, at - float(i));
}`
    : ''
}
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  vec3 c = texelFetch(u_picture, at, 0).rgb;
  ${washes ? 'c = underWashes(c, gl_FragCoord.xy);' : ''}
  ${
    isPlain
      ? ''
      : `c = max(vec3(0.0), ${isLinear ? 'c' : 'decode3(max(vec3(0.0), c))'});
  ${passes.map((name) => pointPass(name).glsl).join('\n  ')}`
  }
  c = clamp(c, 0.0, 1.0);
  ${isEncoded ? 'vec3 root = sqrt(c);' : ''}
  vec3 display = ${isEncoded ? 'vec3(shown(root.r), shown(root.g), shown(root.b))' : 'c'};
  ${hasOverlay ? 'vec4 over = texelFetch(u_overlay, at, 0);\n  display = over.rgb + (1.0 - over.a) * display;' : ''}
  float offset = ${isDithered ? '(texelFetch(u_bayer, at & 7, 0).r * 255.0 + 0.5) / 64.0 - 0.5' : '0.0'};
  colour = vec4(clamp(floor(display * 255.0 + 0.5 + offset), 0.0, 255.0) / 255.0, 1.0);
}`,
  };
}
