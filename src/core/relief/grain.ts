/** The grain of a relief: fine shape from tone, split into octaves by wavelength, each with a fader. */
import { weightedOctaves } from './octaves';
import type { Recipe } from './recipe';
import { cleanTone, type Tone } from './tone';

/**
 * @param inside flags of the pixels whose tone counts; null for all
 * @returns height in px, 0 where nothing counts; lighter is higher where a fader is above zero
 */
export function grainHeight(
  tone: Tone,
  inside: Uint8Array | null,
  width: number,
  height: number,
  grain: Recipe['grain'],
): Float32Array | null {
  const heightPx = grain.heightPx * grain.share;
  if (heightPx === 0 || grain.octaves.every((fader) => fader === 0)) return null;
  const clean = cleanTone(tone, inside, width, height, grain);
  const weights = grain.octaves.map((fader) => heightPx * fader);
  return weightedOctaves(clean, inside, width, height, weights);
}
