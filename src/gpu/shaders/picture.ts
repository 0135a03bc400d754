/** From a layer's sums to the picture. */
import { SUMS } from '@/core/light/terms/sums.glsl';
import type { LayerSums } from '../layer-light';
import type { ProgramRecord } from '../device';
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
