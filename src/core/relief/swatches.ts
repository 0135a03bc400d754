/** What a recipe says of single colours: a height, a mute, a glow, for each pixel that has the colour. */
import { hexToBytes } from '../raster/colour';
import { labDistance, labOf, NO_COLOUR, type Palette } from '../raster/palette';
import type { Recipe, Swatch } from './recipe';

/** A swatch stands for the palette's colour that is no farther from it than this in OKLab. */
const NEAR_EXACT = 0.02;
const NEAR_CLUSTER = 0.06;

/** The swatch of each colour of the palette, or null. */
export function swatchesOf(palette: Palette, swatches: Recipe['swatches']): (Swatch | null)[] {
  const labs = swatches.map(({ colour }) => labOf(...hexToBytes(colour)));
  const near = palette.isExact ? NEAR_EXACT : NEAR_CLUSTER;
  return palette.colours.map(({ lab }) => {
    let best: Swatch | null = null;
    let least = near;
    swatches.forEach((swatch, i) => {
      const d = labDistance(lab, labs[i]);
      // The last of several that fit alike is the one that was set last.
      if (d > least) return;
      least = d;
      best = swatch;
    });
    return best;
  });
}

/** One value a pixel by its colour; null where the value is the same for all colours, namely `none`. */
export function byColour(
  { indices }: Palette,
  swatches: readonly (Swatch | null)[],
  valueOf: (swatch: Swatch) => number,
  none: number,
): Float32Array | null {
  const values = new Float32Array(256).fill(none);
  let isAny = false;
  swatches.forEach((swatch, n) => {
    if (!swatch) return;
    values[n] = valueOf(swatch);
    if (values[n] !== none) isAny = true;
  });
  if (!isAny) return null;
  values[NO_COLOUR] = 0;
  const out = new Float32Array(indices.length);
  for (let i = 0; i < out.length; i++) out[i] = values[indices[i]];
  return out;
}
