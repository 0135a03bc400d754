/** What drifts over a scene, in GLSL; see drift.ts. */
import type { MomentDrift } from '../moment/moment';
import { FINER, type DriftTile } from './drift';

/** The uniforms and the function of the drift at a place in a Moment's list: how dense it is there, before its strength. */
function driftFunction(at: number): string {
  return `
uniform sampler2D u_drift${at};
uniform vec4 u_driftOffset${at};
uniform vec4 u_driftSize${at};
uniform vec4 u_driftEdge${at};
uniform vec3 u_driftColour${at};
float drift${at}(vec2 p) {
  vec2 q = p * u_driftSize${at}.x * vec2(1.0, u_driftSize${at}.y);
  float value = textureLod(u_drift${at}, q - u_driftOffset${at}.xy, 0.0).r;
  if (u_driftSize${at}.z > 0.0)
    value = mix(value, textureLod(u_drift${at}, q * ${FINER} - u_driftOffset${at}.zw, 0.0).r, u_driftSize${at}.z);
  float t = clamp((value - u_driftEdge${at}.x) / (u_driftEdge${at}.y - u_driftEdge${at}.x), 0.0, 1.0);
  return u_driftEdge${at}.z * t * t * (3.0 - 2.0 * t);
}`;
}

/**
 * What drifts over a sprite: changes \`shaded\`, \`shining\` and \`rimShare\` of a fragment at \`p\` with alpha \`colours.a\`.
 * @param kinds of the Moment's drifts, in their order
 */
export function driftCode(kinds: readonly MomentDrift['kind'][]): { head: string; body: string } {
  const head = `uniform vec2 u_driftOrigin;${kinds.map((_, at) => driftFunction(at)).join('')}`;
  const body = kinds
    .map(
      (kind, at) => `
  {
    float y = stands ? mix(p.y, v_page.z, u_driftEdge${at}.w) : p.y;
    float d = drift${at}(vec2(p.x, y) + u_driftOrigin);
    ${
      kind === 'cloud'
        ? `shaded *= mix(vec3(1.0), u_driftColour${at}, d);`
        : `shaded *= 1.0 - d;
    rimShare *= 1.0 - d;
    shining = mix(shining, colours.a * u_driftColour${at}, d);`
    }
  }`,
    )
    .join('');
  return { head, body };
}

/** The uniforms of a drift on a plane where it has a strength. */
export function driftValues(
  at: number,
  { perPx, offset, finerShare, low, high, upright, colour }: MomentDrift,
  { widthPx, heightPx }: DriftTile,
  strength: number,
): Record<string, readonly number[]> {
  return {
    [`u_driftOffset${at}`]: offset,
    [`u_driftSize${at}`]: [perPx, widthPx / heightPx, finerShare, 0],
    [`u_driftEdge${at}`]: [low, high, strength, upright],
    [`u_driftColour${at}`]: colour,
  };
}
