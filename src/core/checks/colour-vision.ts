/**
 * How people see who lack one kind of cones: matrices on linear sRGB of Machado, Oliveira and Fernandes, A Physiologically-based
 * Model for Simulation of Color Vision Deficiency (2009), at full severity. Each row sums to 1: greys stay as they are.
 */
import type { Rgb } from '../raster/colour';

type Matrix = readonly [Rgb, Rgb, Rgb];

export const COLOUR_VISIONS = {
  protanope: [
    [0.152286, 1.052583, -0.204868],
    [0.114503, 0.786281, 0.099216],
    [-0.003882, -0.048116, 1.051998],
  ],
  deuteranope: [
    [0.367322, 0.860646, -0.227968],
    [0.280085, 0.672501, 0.047413],
    [-0.01182, 0.04294, 0.968881],
  ],
  tritanope: [
    [1.255528, -0.076749, -0.178779],
    [-0.078411, 0.930809, 0.147602],
    [0.004733, 0.691367, 0.3039],
  ],
} as const satisfies Record<string, Matrix>;

export type ColourVision = keyof typeof COLOUR_VISIONS;
export const COLOUR_VISION_NAMES = Object.keys(COLOUR_VISIONS) as ColourVision[];

/** @param colour linear sRGB @returns what they see, linear sRGB, within what a screen shows */
export function seenBy(vision: ColourVision, colour: Readonly<Rgb>): Rgb {
  return COLOUR_VISIONS[vision].map(([r, g, b]) =>
    Math.min(1, Math.max(0, r * colour[0] + g * colour[1] + b * colour[2])),
  ) as Rgb;
}
