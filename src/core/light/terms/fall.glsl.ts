import { CURVE_DRAWN, CURVE_EASED, CURVE_EVEN, CURVE_NATURAL, CURVE_STRAIGHT } from '../../moment/moment';
import { NATURAL_KNEE } from './fall';

/** The base of each curve, by its number, from u, d squared and the knee. */
const BASES: Record<number, string> = {
  [CURVE_STRAIGHT]: '1.0 - u',
  [CURVE_EASED]: '1.0 - u * u * (3.0 - 2.0 * u)',
  [CURVE_NATURAL]: '(1.0 - u * u * u * u) * (1.0 - u * u * u * u) * knee.y / (knee.x + max(d2, core * core))',
  [CURVE_EVEN]: '1.0',
  [CURVE_DRAWN]: 'tableAt(u).a',
};

/**
 * What is the same over a whole light, worked out once a vertex: one over the distance from core to reach, k squared, and k
 * squared + core squared.
 */
export const FALL_FACTORS = `
vec3 fallFactors(float core, float reach) {
  float k = max(core, reach * ${NATURAL_KNEE});
  return vec3(1.0 / max(reach - core, 1e-6), k * k, k * k + core * core);
}
`;

/** The falloff of one curve, as a function of its own: a branch over curves costs as much as all of them. */
export function fallGlsl(curve: number, isSteepened: boolean): string {
  return `${curve === CURVE_DRAWN ? 'vec4 tableAt(float u);\n' : ''}
float fallAt(float d, float d2, float core, float reach, vec3 factors, float steepness) {
  // Within the core every curve is 1 by itself, as it is at u = 0.
  float u = max(0.0, (d - core) * factors.x);
  vec2 knee = factors.yz;
  float base = ${BASES[curve]};
  ${isSteepened ? 'base = pow(max(base, 0.0), steepness);' : ''}
  return d >= reach ? 0.0 : base;
}
`;
}
