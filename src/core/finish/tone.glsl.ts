import type { PointPass } from './pass.glsl';
import { FILM_SPEED, TOE, TOE_SLOPE, type ToneNumbers } from './tone';

const shown = (value: number) => (Number.isInteger(value) ? value.toFixed(1) : String(value));

/** Curves that count nothing are left out. */
export const tone: PointPass<ToneNumbers> = {
  uniforms: () => `
uniform vec3 u_toneShares;
uniform vec2 u_toneWhites;
vec3 shoulder(vec3 x, float white) { return x * (1.0 + x / (white * white)) / (1.0 + x); }
vec3 saturationOf(vec3 x) {
  return 1.0 - exp(${shown(-FILM_SPEED)} * x * (x + ${shown(TOE * TOE_SLOPE)}) / (x + ${shown(TOE)}));
}
vec3 film(vec3 x, float white) { return saturationOf(x) / saturationOf(vec3(white)); }`,
  variant: (numbers) =>
    [
      numbers.clip > 0 ? 'clip' : '',
      numbers.shoulder > 0 ? 'shoulder' : '',
      numbers.film > 0 ? 'film' : '',
    ].join(' '),
  glsl: (numbers) =>
    `c = ${[
      ...(numbers.clip > 0 ? ['u_toneShares.x * min(c, 1.0)'] : []),
      ...(numbers.shoulder > 0 ? ['u_toneShares.y * shoulder(c, u_toneWhites.x)'] : []),
      ...(numbers.film > 0 ? ['u_toneShares.z * film(c, u_toneWhites.y)'] : []),
    ].join(' + ')};`,
  values: (numbers) => ({
    u_toneShares: [numbers.clip, numbers.shoulder, numbers.film],
    u_toneWhites: [numbers.shoulderWhite, numbers.filmWhite],
  }),
};
