/** From the light of a scene to what is shown: exposure and tone, on linear values in both light spaces. */
import { srgbDecode, srgbEncode, type LightSpace } from '../raster/colour';
import type { MomentFinish } from '../moment/moment';

/** The curve that brings the white level to 1 and bends gently before it (Reinhard et al. 2002). */
export function shoulder(x: number, whiteLevel: number): number {
  return (x * (1 + x / (whiteLevel * whiteLevel))) / (1 + x);
}

/** A value of the light space, finished, as it is displayed: 0 to 1. */
export function finished(value: number, space: LightSpace, { exposure, whiteLevel }: MomentFinish): number {
  const isPlain = exposure === 1 && whiteLevel === 0;
  // Decoding and encoding again would only lose.
  if (isPlain) return clamp01(space === 'linear' ? srgbEncode(value) : value);
  const linear = exposure * Math.max(0, space === 'linear' ? value : srgbDecode(Math.max(0, value)));
  return clamp01(srgbEncode(whiteLevel > 0 ? shoulder(linear, whiteLevel) : linear));
}

function clamp01(v: number): number {
  return v < 0 ? 0 : v > 1 ? 1 : v;
}
