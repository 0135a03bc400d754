/** The colours of washes on the GPU. */
import { TRANSFER } from '@/core/raster/colour.glsl';
import { washPoint } from '@/core/weather/wash.glsl';
import type { ProgramRecord } from '../device';
import { BOX_VERTEX } from './box';
import { HEADER } from './common';

/** Worked out at each pixel, or read between colours that were worked out some px apart. */
export type WashReading = 'exact' | 'near';

/** Brings a wash's linear colour to the light space. */
export const toLightSpace = (isLinear: boolean) => (isLinear ? '' : 'own = encode3(own);');

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
