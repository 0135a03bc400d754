/**
 * From light to what is shown: light space to finished, encoded bytes. Twin of core/light/reference.ts. All passes that change
 * each pixel by itself run in one draw, and so does the fringe; where a pass looks at its neighbours and the picture is not of
 * linear light, or under washes, it is developed first: brought to linear light, exposed, in floats.
 */
import type { PassCode } from '@/core/finish/all-passes.glsl';
import { TRANSFER } from '@/core/raster/colour.glsl';
import { srgbEncode } from '@/core/raster/colour';
import { washCode } from '@/core/weather/wash.glsl';
import type { ProgramRecord } from '../device';
import { BOX_VERTEX } from '../shaders/box';
import { HEADER } from '../shaders/common';
import { toLightSpace, type WashReading } from '../shaders/washes';
import { lookingCode, lookingName, type Looking } from './looking';

/** How washes are read, and how many; null where there is none. */
export type WashVariant = { reading: WashReading; count: number } | null;

interface LightVariant {
  isLinear: boolean;
  washes: WashVariant;
  /** The passes on light. */
  onLight: readonly PassCode[];
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

const washName = (washes: WashVariant) => `${washes?.reading} ${washes?.count}`;
const passNames = (passes: readonly PassCode[]) => passes.map(({ name }) => name).join(' ');
const passUniforms = (passes: readonly PassCode[]) => passes.map(({ uniforms }) => uniforms).join('\n');
const passLines = (passes: readonly PassCode[]) => passes.map(({ glsl }) => glsl).join('\n  ');

const washPart = ({ isLinear, washes }: LightVariant) =>
  washes ? washCode(washes.reading === 'near' ? null : toLightSpace(isLinear), washes.count) : '';
/** Whether the transfer is needed where the light space is that of the display. */
const needsTransfer = ({ isLinear, washes }: LightVariant, isDecoded: boolean) =>
  !isLinear && (isDecoded || washes?.reading === 'exact');

/** Brings light to linear values, and exposes it, so that others may read it at any place. */
export function developProgram(variant: LightVariant): ProgramRecord {
  const { isLinear, washes, onLight } = variant;
  return {
    name: `develop ${isLinear} ${washName(washes)} ${passNames(onLight)}`,
    vertex: BOX_VERTEX,
    fragment: `${HEADER}${needsTransfer(variant, true) ? TRANSFER : ''}
uniform sampler2D u_picture;
${passUniforms(onLight)}
out vec4 light;
${washPart(variant)}
void main() {
  vec3 c = texelFetch(u_picture, ivec2(gl_FragCoord.xy), 0).rgb;
  ${washes ? 'c = underWashes(c, gl_FragCoord.xy);' : ''}
  c = max(vec3(0.0), ${isLinear ? 'c' : 'decode3(max(vec3(0.0), c))'});
  ${passLines(onLight)}
  light = vec4(c, 1.0);
}`,
  };
}

export interface PrintVariant extends LightVariant {
  /** How the picture is read where a pass looks around: it has linear light, under its washes. Null where none does. */
  looking: Looking | null;
  hasGlow: boolean;
  /** The passes on encoded values. */
  onPrint: readonly PassCode[];
  isDithered: boolean;
  hasOverlay: boolean;
}

/**
 * The last draw. The picture may have a margin, which is left out. Painted scenes get an ordered dither within half a step,
 * against banding.
 */
export function printProgram(variant: PrintVariant): ProgramRecord {
  const { isLinear, washes, onLight, looking, hasGlow, onPrint, isDithered, hasOverlay } = variant;
  const isPlain = onLight.length === 0 && !looking;
  const isEncoded = isLinear || !isPlain;
  const wash = looking ? null : washes;
  const hasTransfer = !looking && needsTransfer({ ...variant, washes: wash }, !isPlain);
  return {
    name: [
      `print ${isLinear} ${washName(wash)} ${looking && lookingName(looking)} ${hasGlow} ${isDithered} ${hasOverlay}`,
      ...[passNames(onLight), passNames(onPrint)],
    ].join(' / '),
    vertex: BOX_VERTEX,
    fragment: `${HEADER}${hasTransfer ? TRANSFER : ''}
${looking ? lookingCode(looking) : 'uniform sampler2D u_picture;'}
uniform vec2 u_margin;
${hasOverlay ? 'uniform sampler2D u_overlay;' : ''}
${isDithered ? 'uniform sampler2D u_bayer;' : ''}
${hasGlow ? `uniform sampler2D u_glow;\nuniform vec3 u_glowTint;\nuniform float u_glowPerPx;\nuniform vec2 u_glowFirst;\nuniform vec2 u_perGlow;` : ''}
${passUniforms([...onLight, ...onPrint])}
out vec4 colour;
${washPart({ ...variant, washes: wash })}
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
  vec2 wide = gl_FragCoord.xy + u_margin;
  ivec2 at = ivec2(wide);
  vec3 c = ${looking ? 'seenAt(at)' : 'texelFetch(u_picture, at, 0).rgb'};
  ${wash ? 'c = underWashes(c, wide);' : ''}
  ${isPlain || looking ? '' : `c = max(vec3(0.0), ${isLinear ? 'c' : 'decode3(max(vec3(0.0), c))'});`}
  ${hasGlow ? 'c += u_glowTint * texture(u_glow, (wide * u_glowPerPx + u_glowFirst) * u_perGlow).rgb;' : ''}
  ${passLines(onLight)}
  c = clamp(c, 0.0, 1.0);
  ${isEncoded ? 'vec3 root = sqrt(c);\n  c = vec3(shown(root.r), shown(root.g), shown(root.b));' : ''}
  ${passLines(onPrint)}
  ${hasOverlay ? 'vec4 over = texelFetch(u_overlay, at, 0);\n  c = over.rgb + (1.0 - over.a) * c;' : ''}
  float offset = ${isDithered ? '(texelFetch(u_bayer, ivec2(gl_FragCoord.xy) & 7, 0).r * 255.0 + 0.5) / 64.0 - 0.5' : '0.0'};
  colour = vec4(clamp(floor(c * 255.0 + 0.5 + offset), 0.0, 255.0) / 255.0, 1.0);
}`,
  };
}
