/** A Gaussian over a picture of premultiplied light. */
import { exp } from '../geometry/exact';
import { blurReach } from './focus';

/** @returns the weights of the middle and of each px away from it on one side; the whole adds up to 1 */
export function gaussianWeights(sigmaPx: number): Float64Array {
  const reach = blurReach(sigmaPx);
  const weights = Float64Array.from({ length: reach + 1 }, (_, i) => exp((-i * i) / (2 * sigmaPx * sigmaPx)));
  const sum = weights.reduce((all, weight, i) => all + (i === 0 ? weight : 2 * weight), 0);
  return weights.map((weight) => weight / sum);
}

/**
 * Blurs a picture along both axes; what lies beyond its border is as the border.
 * @param data four values a pixel, row by row; left as it is
 * @returns a new picture
 */
export function gaussian(data: Float64Array, width: number, height: number, sigmaPx: number): Float64Array {
  const weights = gaussianWeights(sigmaPx);
  return along(along(data, width, height, 1, 0, weights), width, height, 0, 1, weights);
}

function along(
  data: Float64Array,
  width: number,
  height: number,
  stepX: number,
  stepY: number,
  weights: Float64Array,
): Float64Array {
  const out = new Float64Array(data.length);
  const inside = (i: number, size: number) => Math.min(size - 1, Math.max(0, i));
  for (let y = 0, o = 0; y < height; y++) {
    for (let x = 0; x < width; x++, o += 4) {
      for (let k = 1 - weights.length; k < weights.length; k++) {
        const p = 4 * (inside(y + k * stepY, height) * width + inside(x + k * stepX, width));
        const weight = weights[Math.abs(k)];
        for (let c = 0; c < 4; c++) out[o + c] += weight * data[p + c];
      }
    }
  }
  return out;
}
