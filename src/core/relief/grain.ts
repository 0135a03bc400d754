/** The grain of a relief: fine shape from tone, split into octaves by wavelength, each with a fader. */
import { octavesUsed, smoothings, weightedOctaves } from './octaves';
import type { Recipe } from './recipe';
import { cleanTone, type Tone } from './tone';
import { rememberNothing, type Remember } from './workings';

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
  remember: Remember = rememberNothing,
): Float32Array | null {
  const heightPx = grain.heightPx * grain.share;
  if (heightPx === 0 || grain.octaves.every((fader) => fader === 0)) return null;
  const { smoothPx, outlineGuard } = grain;
  const clean = remember('clean tone', [tone, inside, smoothPx, outlineGuard], () =>
    cleanTone(tone, inside, width, height, grain),
  );
  const weights = grain.octaves.map((fader) => heightPx * fader);
  const levels = remember('smoothings', [clean, inside, octavesUsed(weights)], () =>
    smoothings(clean, inside, width, height, octavesUsed(weights)),
  );
  return weightedOctaves(clean, levels, inside, weights);
}
