/**
 * Blur by distance: a plane is blurred by a Gaussian that grows with its steps from the plane in focus, on premultiplied light
 * and with its air, before it is laid over the picture.
 */
import { namingOrNull, within } from '../fields';

export const planeBlurPx = () => within(0, 32);

export const FOCUS_FIELDS = {
  focusPlaneId: namingOrNull('planes', 'names').meta({
    about: 'The plane in focus: others are blurred by their steps from it; null is none',
  }),
  blurPx: planeBlurPx()
    .default(0)
    .meta({ about: 'Standard deviation of the blur for each step from the plane in focus, scene px' }),
};

/** No plane is blurred by more than this, scene px. */
export const MOST_BLUR_PX = 32;

/** A Gaussian reaches so many standard deviations; beyond is less than 3 in a thousand. */
const REACH_SIGMAS = 3;

/**
 * How far a plane is blurred.
 * @param own of the plane itself; null follows the scene
 * @param steps between it and the plane in focus; null where none is
 * @returns standard deviation, scene px
 */
export function planeBlur(own: number | null, blurPx: number, steps: number | null): number {
  const wanted = own ?? (steps === null ? 0 : blurPx * steps);
  return Math.min(MOST_BLUR_PX, wanted);
}

/** How far a blur reaches, in px of its standard deviation. */
export function blurReach(sigmaPx: number): number {
  return Math.ceil(REACH_SIGMAS * sigmaPx);
}
