/** From a layer's sums to the picture, and from the picture to the screen. */
import { LUMINANCE } from '@/core/light/layer-light';
import type { ProgramRecord } from '../device';
import { HEADER, TO_CLIP, TRANSFER } from './common';

const BOX_VERTEX = `${HEADER}${TO_CLIP}
uniform vec4 u_box;
void main() {
  vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1);
  gl_Position = toClip(mix(u_box.xy, u_box.zw, corner));
}`;

/** What a layer's light is made of; each combination is compiled when it is first drawn. */
export interface CompositeVariant {
  add: boolean;
  lighten: boolean;
  covered: boolean;
  taken: boolean;
  rim: boolean;
  instead: boolean;
  added: boolean;
  isSeenWhenLit: boolean;
}

/** Lays a lit layer over the picture. Twin of the sums in core/light/layer-light.ts. */
export function compositeProgram(variant: CompositeVariant): ProgramRecord {
  const { add, lighten, covered, taken, rim, instead, added, isSeenWhenLit } = variant;
  const samplers = Object.entries({ add, lighten, covered, taken, rim, instead, added })
    .filter(([, is]) => is)
    .map(([name]) => `uniform sampler2D u_${name};\n`);
  const read = (name: string) => `texelFetch(u_${name}, at, 0)`;
  return {
    name: `composite ${JSON.stringify(variant)}`,
    vertex: BOX_VERTEX,
    fragment: `${HEADER}
uniform sampler2D u_albedo;
uniform sampler2D u_glow;
${samplers.join('')}${rim ? 'uniform sampler2D u_rims;\n' : ''}${isSeenWhenLit ? 'uniform float u_gain;\n' : ''}
uniform vec3 u_ambient;
uniform vec3 u_workLamp;
out vec4 picture;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  vec4 a = texelFetch(u_albedo, at, 0);
  vec3 ambient = u_ambient;
  ${instead ? `vec4 i = ${read('instead')};\n  ambient = (ambient * max(0.0, 1.0 - i.a) + i.rgb) / max(1.0, i.a);` : ''}
  ${added ? `ambient += ${read('added')}.rgb;` : ''}
  vec3 light = ambient${add ? ` + ${read('add')}.rgb` : ''};
  ${lighten ? `light = max(light, ${read('lighten')}.rgb);` : ''}
  ${covered ? `light = max(light, 1.0 - ${read('covered')}.rgb);` : ''}
  ${taken ? `light -= ${read('taken')}.rgb;` : ''}
  light = max(vec3(0.0), light) + u_workLamp;
  float shows = 1.0;
  ${isSeenWhenLit ? `shows = min(1.0, u_gain * dot(max(vec3(0.0), light - ambient), vec3(${LUMINANCE.join(', ')})));` : ''}
  vec3 lit = a.rgb * light${rim ? ` + ${read('rims')}.r * ${read('rim')}.rgb` : ''};
  picture = vec4(lit * shows + texelFetch(u_glow, at, 0).rgb, a.a * shows);
}`,
  };
}

/** Light space to finished, encoded bytes; twin of core/finish/tone.ts. Painted scenes get an ordered dither within half a step, against banding. */
export const ENCODE_PROGRAM: ProgramRecord = {
  name: 'encode',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${TRANSFER}
uniform sampler2D u_picture;
uniform sampler2D u_overlay;
uniform sampler2D u_bayer;
uniform bool u_hasOverlay;
uniform bool u_linear;
uniform bool u_dither;
uniform float u_exposure;
uniform float u_whiteLevel;
uniform bool u_isFinished;
out vec4 colour;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  vec3 c = texelFetch(u_picture, at, 0).rgb;
  vec3 display;
  if (u_isFinished) {
    vec3 x = u_exposure * max(vec3(0.0), u_linear ? c : decode3(max(vec3(0.0), c)));
    if (u_whiteLevel > 0.0) x = x * (1.0 + x / (u_whiteLevel * u_whiteLevel)) / (1.0 + x);
    display = clamp(encode3(x), 0.0, 1.0);
  } else display = clamp(u_linear ? encode3(c) : c, 0.0, 1.0);
  if (u_hasOverlay) {
    vec4 over = texelFetch(u_overlay, at, 0);
    display = over.rgb + (1.0 - over.a) * display;
  }
  float offset = u_dither ? (texelFetch(u_bayer, at & 7, 0).r * 255.0 + 0.5) / 64.0 - 0.5 : 0.0;
  colour = vec4(clamp(floor(display * 255.0 + 0.5 + offset), 0.0, 255.0) / 255.0, 1.0);
}`,
};
