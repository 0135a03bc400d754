/**
 * Transcendental functions that give the same bits in Node and in every browser: the engines' own differ in
 * the last place. `+ - * /` and `Math.sqrt` are exact everywhere and need no substitute.
 */
import cosOf from '@stdlib/math-base-special-cos';
import sinOf from '@stdlib/math-base-special-sin';

export { default as atan2 } from '@stdlib/math-base-special-atan2';
export { default as cbrt } from '@stdlib/math-base-special-cbrt';
export { default as cos } from '@stdlib/math-base-special-cos';
export { default as exp } from '@stdlib/math-base-special-exp';
export { default as ln } from '@stdlib/math-base-special-ln';
export { default as pow } from '@stdlib/math-base-special-pow';
export { default as sin } from '@stdlib/math-base-special-sin';

/** Of angles below a quarter turn. */
export function tan(radians: number): number {
  return sinOf(radians) / cosOf(radians);
}

export const RADIANS_PER_DEGREE = Math.PI / 180;

/** Smoothstep of t, which is clamped to 0..1 first. */
export function smoothstep01(t: number): number {
  const c = t <= 0 ? 0 : t >= 1 ? 1 : t;
  return c * c * (3 - 2 * c);
}
