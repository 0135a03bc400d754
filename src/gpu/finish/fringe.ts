/** Red and blue read at other places. @see src/core/finish/fringe.ts */
import type { FringeNumbers } from '@/core/finish/fringe';
import { gateMiddle, type FinishFrame } from '@/core/finish/frame';
import type { Device, ProgramRecord, Target } from '../device';
import { BOX_VERTEX } from '../shaders/box';
import { HEADER } from '../shaders/common';
import { whole } from './targets';

const fringeProgram = (pixelArt: boolean): ProgramRecord => ({
  name: `fringe ${pixelArt}`,
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_light;
uniform vec2 u_fromMiddle;
uniform float u_perPx;
uniform float u_shiftBy;
out vec4 light;
vec3 at(ivec2 p) { return texelFetch(u_light, clamp(p, ivec2(0), textureSize(u_light, 0) - 1), 0).rgb; }
vec3 between(vec2 p) {
  ivec2 corner = ivec2(floor(p));
  vec2 f = p - floor(p);
  return mix(
    mix(at(corner), at(corner + ivec2(1, 0)), f.x),
    mix(at(corner + ivec2(0, 1)), at(corner + ivec2(1, 1)), f.x), f.y);
}
float wholePx(float v) { return v < 0.0 ? -floor(0.5 - v) : floor(v + 0.5); }
void main() {
  vec2 d = gl_FragCoord.xy / u_perPx + u_fromMiddle;
  vec2 shift = d * (u_shiftBy * length(d));
  vec2 own = gl_FragCoord.xy - 0.5;
  ${
    pixelArt
      ? `vec2 by = vec2(wholePx(shift.x), wholePx(shift.y)) * u_perPx;
  light = vec4(at(ivec2(floor(own + by + 0.5))).r, at(ivec2(own)).g, at(ivec2(floor(own - by + 0.5))).b, 1.0);`
      : `vec2 by = shift * u_perPx;
  light = vec4(between(own + by).r, at(ivec2(own)).g, between(own - by).b, 1.0);`
  }
}`,
});

export function drawFringe(
  device: Device,
  from: Target,
  to: Target,
  numbers: FringeNumbers,
  frame: FinishFrame,
): void {
  const { view, gate, pixelArt } = frame;
  const middle = gateMiddle(gate);
  device.bind(to);
  device.blend('none');
  device.program(fringeProgram(pixelArt)).use(
    {
      ...whole(to),
      u_fromMiddle: [view.x - middle.x, view.y - middle.y],
      u_perPx: view.outputPerScenePx,
      u_shiftBy: numbers.px / (middle.halfWidth * middle.halfWidth + middle.halfHeight * middle.halfHeight),
    },
    { u_light: from.textures[0] },
  );
  device.drawBox();
}
