/** The grain of a relief: fine shape from tone, split into octaves by wavelength, each with a fader. */
import { blurred, type Wrap } from '../raster/blur';
import { lightnessOf } from '../raster/colour';
import type { Image } from '../raster/image';
import { OCTAVES_PX, type Recipe } from './recipe';

/** A wavelength of w px is what a smoothing by this share of w takes away and one by half of that leaves. */
const SIGMA_PER_WAVELENGTH = 0.7;

/**
 * @param inside flags of the pixels that count
 * @returns height in px, 0 outside; lighter is higher where a fader is above zero
 */
export function grainHeight(
  image: Image,
  inside: Uint8Array,
  grain: Recipe['grain'],
  wrap: Wrap,
): Float32Array {
  const { width, height } = image;
  const out = new Float32Array(width * height);
  const deepest = grain.octaves.reduce((last, fader, i) => (fader !== 0 ? i : last), -1);
  if (grain.heightPx === 0 || deepest < 0) return out;
  const lightness = lightnessOf(image.data, new Float32Array(width * height));
  let finer = lightness;
  for (let octave = 0; octave <= deepest; octave++) {
    const coarser = blurred(
      lightness,
      inside,
      width,
      height,
      OCTAVES_PX[octave] * SIGMA_PER_WAVELENGTH,
      wrap,
    );
    const share = grain.heightPx * grain.octaves[octave];
    if (share !== 0) {
      for (let i = 0; i < out.length; i++) if (inside[i]) out[i] += share * (finer[i] - coarser[i]);
    }
    finer = coarser;
  }
  return out;
}
