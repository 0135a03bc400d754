/**
 * Slope, offset and power of each channel, then saturation, on encoded values (ASC CDL 1.2; its saturation weighs by Rec. 709).
 */
import { within } from '../fields';
import { pow } from '../geometry/exact';
import { LUMINANCE, type Rgb } from '../raster/colour';
import { mixNumbers, type FinishPass } from './pass';

export const slope = () => within(0, 4);
export const offset = () => within(-1, 1);
export const power = () => within(0.1, 10);
export const saturation = () => within(0, 4);

export interface GradeNumbers {
  slope: Rgb;
  offset: Rgb;
  power: Rgb;
  saturation: number;
}

interface GradeSettings {
  slopeRed: number;
  slopeGreen: number;
  slopeBlue: number;
  offsetRed: number;
  offsetGreen: number;
  offsetBlue: number;
  powerRed: number;
  powerGreen: number;
  powerBlue: number;
  saturation: number;
}

/** Changes three encoded values from `at` on, in place. */
export function graded(data: Float64Array, at: number, numbers: GradeNumbers): void {
  let luma = 0;
  for (let c = 0; c < 3; c++) {
    const v = data[at + c] * numbers.slope[c] + numbers.offset[c];
    data[at + c] = pow(Math.min(1, Math.max(0, v)), numbers.power[c]);
    luma += LUMINANCE[c] * data[at + c];
  }
  for (let c = 0; c < 3; c++)
    data[at + c] = Math.min(1, Math.max(0, luma + numbers.saturation * (data[at + c] - luma)));
}

export const grade = {
  word: 'Grade',
  fields: {
    slopeRed: slope().default(1).meta({ about: 'What encoded values are multiplied by' }),
    slopeGreen: slope().default(1),
    slopeBlue: slope().default(1),
    offsetRed: offset().default(0).meta({ about: 'What is added to them' }),
    offsetGreen: offset().default(0),
    offsetBlue: offset().default(0),
    powerRed: power().default(1).meta({ about: 'The power that they are raised to' }),
    powerGreen: power().default(1),
    powerBlue: power().default(1),
    saturation: saturation().default(1).meta({ about: '0 is grey, 1 as it is' }),
  },
  on: 'print',
  numbers: (settings) => ({
    slope: [settings.slopeRed, settings.slopeGreen, settings.slopeBlue],
    offset: [settings.offsetRed, settings.offsetGreen, settings.offsetBlue],
    power: [settings.powerRed, settings.powerGreen, settings.powerBlue],
    saturation: settings.saturation,
  }),
  mix: mixNumbers<GradeNumbers>,
  isAtRest: (numbers) =>
    numbers.saturation === 1 &&
    [0, 1, 2].every((c) => numbers.slope[c] === 1 && numbers.offset[c] === 0 && numbers.power[c] === 1),
  apply({ data }, numbers) {
    for (let i = 0; i < data.length; i += 3) graded(data, i, numbers);
  },
} satisfies FinishPass<GradeSettings, GradeNumbers>;
