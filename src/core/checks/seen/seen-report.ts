/** What is found out about how well a figure can be seen. */
import { COLOUR_VISION_NAMES, type ColourVision } from '../colour-vision';

/** The eyes that are asked: those that see all colours, and those of colour-vision.ts. */
export const EYES = ['typical', ...COLOUR_VISION_NAMES] as const;
export type Eye = 'typical' | ColourVision;

/** The contrast at each hour, over the flicker; NaN where the figure is not in the picture. */
export interface SeenCurve {
  lowest: Float64Array;
  mean: Float64Array;
  highest: Float64Array;
  /** The second at which it is lowest, at each hour. */
  lowestAt: Float64Array;
}

export interface SeenReport {
  spriteId: string;
  hours: Float64Array;
  curves: Record<Eye, SeenCurve>;
}

/** The hour at which it is seen worst by some eyes; null where it is never in the picture. */
export function worstSeen(
  { hours, curves }: SeenReport,
  eye: Eye,
): { hour: number; second: number; contrast: number } | null {
  const { lowest, lowestAt } = curves[eye];
  let worst = -1;
  lowest.forEach((value, i) => {
    if (!Number.isNaN(value) && (worst < 0 || value < lowest[worst])) worst = i;
  });
  return worst < 0 ? null : { hour: hours[worst], second: lowestAt[worst], contrast: lowest[worst] };
}
