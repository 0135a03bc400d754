/**
 * A wash: a faint gradient between points of colour, laid over the picture before the finish. The colour of a place is the mean
 * of its points in OKLab, each weighted by exp(-distance^2 / (2 spread^2)). Its GLSL twin stands beside it in wash.glsl.ts.
 */
import { exp } from '../geometry/exact';
import { linearInLightSpace, oklabToLinear, type LightSpace, type Rgb } from '../raster/colour';
import type { MomentWash } from '../moment/moment';

/** Floats of a point: place, 1 / (2 spread^2), opacity, and its colour as L, a, b. */
export const WASH_POINT_FLOATS = 8;
export const WASH_BLEND_NUMBERS = { normal: 0, multiply: 1, screen: 2, add: 3 } as const;

/** Works out washes at places; scratch is kept between them. */
export class WashOver {
  private readonly colour: Rgb = [0, 0, 0];

  /** Lays washes over a picture's light at a scene place, in place. */
  over(
    washes: readonly MomentWash[],
    space: LightSpace,
    picture: Float64Array,
    px: number,
    py: number,
  ): void {
    for (const wash of washes) {
      const opacity = wash.opacity * this.at(wash, space, px, py);
      if (opacity <= 0) continue;
      for (let c = 0; c < 3; c++)
        picture[c] += (blended(wash.blend, picture[c], this.colour[c]) - picture[c]) * opacity;
    }
  }

  /** Finds the colour in the light space. @returns how opaque it is there */
  private at({ box, points }: MomentWash, space: LightSpace, px: number, py: number): number {
    if (box && (px < box.left || px >= box.right || py < box.top || py >= box.bottom)) return 0;
    // The nearest counts 1, or far from all of them nothing would be left to divide by.
    let least = Infinity;
    for (let i = 0; i < points.length; i += WASH_POINT_FLOATS)
      least = Math.min(least, far(points, i, px, py));
    let [sum, opacity, l, a, b] = [0, 0, 0, 0, 0];
    for (let i = 0; i < points.length; i += WASH_POINT_FLOATS) {
      const weight = exp(least - far(points, i, px, py));
      sum += weight;
      opacity += weight * points[i + 3];
      l += weight * points[i + 4];
      a += weight * points[i + 5];
      b += weight * points[i + 6];
    }
    const linear = oklabToLinear([l / sum, a / sum, b / sum]);
    const own = linearInLightSpace(linear, space);
    for (let c = 0; c < 3; c++) this.colour[c] = own[c];
    return opacity / sum;
  }
}

function far(points: Float32Array, i: number, px: number, py: number): number {
  const [dx, dy] = [px - points[i], py - points[i + 1]];
  return (dx * dx + dy * dy) * points[i + 2];
}

function blended(blend: MomentWash['blend'], under: number, colour: number): number {
  if (blend === 'normal') return colour;
  if (blend === 'multiply') return under * colour;
  if (blend === 'screen') return under + colour * (1 - Math.min(1, under));
  return under + colour;
}
