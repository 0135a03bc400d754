/** The corners of the gate go toward a colour: that of a hood or of an old lens, which is seldom black. */
import { colour, share } from '../fields';
import { smoothstep01 } from '../geometry/exact';
import { hexToLinear, type Rgb } from '../raster/colour';
import { eachPlace, gateMiddle, type FinishFrame } from './frame';
import { mixNumbers, type FinishPass } from './pass';

interface VignetteSettings {
  vignetteLevel: number;
  vignetteInner: number;
  vignetteRoundness: number;
  vignetteColour: string;
}

export interface VignetteNumbers {
  level: number;
  inner: number;
  roundness: number;
  colour: Rgb;
}

/**
 * How far a place is from the gate's middle; 1 in its corners.
 * @param roundness 1: in circles, as shares of half the diagonal; 0: in ellipses, as shares of the sides
 */
export function vignetteRadius(roundness: number, { gate }: FinishFrame, x: number, y: number): number {
  const { x: mx, y: my, halfWidth, halfHeight } = gateMiddle(gate);
  const [dx, dy] = [x - mx, y - my];
  const round = Math.sqrt((dx * dx + dy * dy) / (halfWidth * halfWidth + halfHeight * halfHeight));
  const [sx, sy] = [dx / halfWidth, dy / halfHeight];
  const bySides = Math.sqrt((sx * sx + sy * sy) / 2);
  return bySides + roundness * (round - bySides);
}

/** How much of the vignette lies on a place, 0 to 1, before its level. */
export function vignetteShare(inner: number, radius: number): number {
  return inner >= 1 ? (radius >= 1 ? 1 : 0) : smoothstep01((radius - inner) / (1 - inner));
}

export const vignette = {
  word: 'Vignette',
  fields: {
    vignetteLevel: share().default(0).meta({ about: 'How much of it lies on the corners' }),
    vignetteInner: share().default(0.5).meta({ about: 'Where it begins: a share of the way to the corners' }),
    vignetteRoundness: share().default(0.5).meta({ about: "1 is a circle, 0 has the gate's sides" }),
    vignetteColour: colour().default('#000000').meta({ about: 'What the corners are multiplied by' }),
  },
  on: 'light',
  numbers: (settings) => ({
    level: settings.vignetteLevel,
    inner: settings.vignetteInner,
    roundness: settings.vignetteRoundness,
    colour: hexToLinear(settings.vignetteColour),
  }),
  mix: mixNumbers<VignetteNumbers>,
  isAtRest: ({ level }) => level === 0,
  apply(picture, { level, inner, roundness, colour: corner }, frame) {
    const { data } = picture;
    eachPlace(picture, frame, (at, x, y) => {
      const share = level * vignetteShare(inner, vignetteRadius(roundness, frame, x, y));
      for (let c = 0; c < 3; c++) data[at + c] *= 1 + share * (corner[c] - 1);
    });
  },
} satisfies FinishPass<VignetteSettings, VignetteNumbers>;
