/**
 * How the picture is read by passes that look at other pixels: through the passes before them and the fringe, worked out where
 * it is read. @see src/core/finish/fringe.ts
 */
import type { PassCode } from '@/core/finish/all-passes.glsl';
import type { FringeNumbers } from '@/core/finish/fringe';
import { gateMiddle, type FinishFrame } from '@/core/finish/frame';
import type { ProgramRecord, UniformValue } from '../device';
import { BOX_VERTEX } from '../shaders/box';
import { HEADER } from '../shaders/common';

/** Pixel art is moved by whole scene px, painted art is read between pixels. */
export type FringeReading = 'pixels' | 'between';

export interface Looking {
  /** The passes on light before the first that looks around. */
  first: readonly PassCode[];
  fringe: FringeReading | null;
}

export type Uniforms = Record<string, UniformValue>;

/** A picture with how it is read. */
export interface LookedAt {
  looking: Looking;
  values: Uniforms;
  textures: Record<string, WebGLTexture>;
}

export function lookingName({ first, fringe }: Looking): string {
  return `looking ${first.map(({ name }) => name).join(' ')} ${fringe}`;
}

const FRINGED: Readonly<Record<FringeReading, string>> = {
  pixels: `
  vec2 by = vec2(wholePx(shift.x), wholePx(shift.y)) * u_fringePerPx;
  return vec3(lightAt(ivec2(floor(own + by + 0.5))).r, lightAt(p).g, lightAt(ivec2(floor(own - by + 0.5))).b);`,
  between: `
  vec2 by = shift * u_fringePerPx;
  return vec3(between(own + by).r, lightAt(p).g, between(own - by).b);`,
};

/**
 * `seenAt`: linear light of a pixel of \`u_picture\`, which has linear light. What comes before the fringe multiplies all light
 * alike, so that it is all one whether that is done before the reading or once after it.
 */
export function lookingCode({ first, fringe }: Looking): string {
  const place = fringe ? 'clamp(p, ivec2(0), textureSize(u_picture, 0) - 1)' : 'p';
  return `
uniform sampler2D u_picture;
${first.map(({ uniforms }) => uniforms).join('\n')}
vec3 lightAt(ivec2 p) { return max(vec3(0.0), texelFetch(u_picture, ${place}, 0).rgb); }
${fringe ? fringeCode(fringe) : 'vec3 readAt(ivec2 p) { return lightAt(p); }'}
vec3 seenAt(ivec2 p) {
  vec3 c = readAt(p);
  ${first.map(({ glsl }) => glsl).join('\n  ')}
  return c;
}`;
}

const fringeCode = (reading: FringeReading) => `
uniform vec2 u_fringeMiddle;
uniform float u_fringePerPx;
uniform float u_shiftBy;
vec3 between(vec2 p) {
  ivec2 corner = ivec2(floor(p));
  vec2 f = p - floor(p);
  return mix(
    mix(lightAt(corner), lightAt(corner + ivec2(1, 0)), f.x),
    mix(lightAt(corner + ivec2(0, 1)), lightAt(corner + ivec2(1, 1)), f.x), f.y);
}
float wholePx(float v) { return v < 0.0 ? -floor(0.5 - v) : floor(v + 0.5); }
vec3 readAt(ivec2 p) {
  vec2 own = vec2(p);
  vec2 d = (own + 0.5) / u_fringePerPx + u_fringeMiddle;
  vec2 shift = d * (u_shiftBy * length(d));
  ${FRINGED[reading]}
}`;

/** What the fringe is told. */
export function fringeValues({ px }: FringeNumbers, { view, gate }: FinishFrame): Uniforms {
  const middle = gateMiddle(gate);
  return {
    u_fringeMiddle: [view.x - middle.x, view.y - middle.y],
    u_fringePerPx: view.outputPerScenePx,
    u_shiftBy: px / (middle.halfWidth * middle.halfWidth + middle.halfHeight * middle.halfHeight),
  };
}

/** A picture as it is seen, drawn once where it is read many times. */
export const lookedProgram = (looking: Looking): ProgramRecord => ({
  name: `looked ${lookingName(looking)}`,
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${lookingCode(looking)}
out vec4 light;
void main() { light = vec4(seenAt(ivec2(gl_FragCoord.xy)), 1.0); }`,
});
