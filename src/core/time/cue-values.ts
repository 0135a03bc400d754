/**
 * What a cue can hold, beside the levels of circuits. A row says what it is called and whose own value stands where no cue
 * holds it: a setting of the scene by the same name, or the lights that follow the sun or the moon.
 */
export const CUE_VALUES = {
  ambientColour: { kind: 'colour', own: 'settings', word: 'Ambient colour' },
  ambientLevel: { kind: 'number', own: 'settings', word: 'Ambient level', high: 4 },
  sunColour: { kind: 'colour', own: 'sun', word: 'Sun colour' },
  sunLevel: { kind: 'number', own: 'sun', word: 'Sun level', high: 4 },
  moonColour: { kind: 'colour', own: 'moon', word: 'Moon colour' },
  moonLevel: { kind: 'number', own: 'moon', word: 'Moon level', high: 2 },
  cloudStrength: { kind: 'number', own: 'settings', word: 'Clouds' },
  cloudCover: { kind: 'number', own: 'settings', word: 'Cloud cover' },
  cloudColour: { kind: 'colour', own: 'settings', word: 'Cloud shadow' },
  mistStrength: { kind: 'number', own: 'settings', word: 'Mist' },
  mistCover: { kind: 'number', own: 'settings', word: 'Mist cover' },
  mistColour: { kind: 'colour', own: 'settings', word: 'Mist colour' },
  washStrength: { kind: 'number', own: 'settings', word: 'Wash' },
  lookShare: { kind: 'number', own: 'settings', word: 'Look' },
  exposureStops: { kind: 'number', own: 'settings', word: 'Exposure', low: -4, high: 4, unit: 'stops' },
  autoShare: { kind: 'number', own: 'settings', word: 'Automatic exposure' },
  fringePx: { kind: 'number', own: 'settings', word: 'Fringe', low: -8, high: 8, unit: 'px' },
  bloomLevel: { kind: 'number', own: 'settings', word: 'Bloom', high: 2 },
  bloomThreshold: { kind: 'number', own: 'settings', word: 'Bloom from', high: 8 },
  bloomKnee: { kind: 'number', own: 'settings', word: 'Bloom knee', high: 4 },
  bloomSpread: { kind: 'number', own: 'settings', word: 'Bloom spread' },
  bloomColour: { kind: 'colour', own: 'settings', word: 'Bloom colour' },
  vignetteLevel: { kind: 'number', own: 'settings', word: 'Vignette' },
  vignetteInner: { kind: 'number', own: 'settings', word: 'Vignette from' },
  vignetteRoundness: { kind: 'number', own: 'settings', word: 'Vignette roundness' },
  vignetteColour: { kind: 'colour', own: 'settings', word: 'Vignette colour' },
  whiteLevel: { kind: 'number', own: 'settings', word: 'White at', low: 1, high: 32 },
  slopeRed: { kind: 'number', own: 'settings', word: 'Slope, red', high: 2 },
  slopeGreen: { kind: 'number', own: 'settings', word: 'Slope, green', high: 2 },
  slopeBlue: { kind: 'number', own: 'settings', word: 'Slope, blue', high: 2 },
  offsetRed: { kind: 'number', own: 'settings', word: 'Offset, red', low: -0.5, high: 0.5 },
  offsetGreen: { kind: 'number', own: 'settings', word: 'Offset, green', low: -0.5, high: 0.5 },
  offsetBlue: { kind: 'number', own: 'settings', word: 'Offset, blue', low: -0.5, high: 0.5 },
  powerRed: { kind: 'number', own: 'settings', word: 'Power, red', low: 0.1, high: 4 },
  powerGreen: { kind: 'number', own: 'settings', word: 'Power, green', low: 0.1, high: 4 },
  powerBlue: { kind: 'number', own: 'settings', word: 'Power, blue', low: 0.1, high: 4 },
  saturation: { kind: 'number', own: 'settings', word: 'Saturation', high: 2 },
  tableShare: { kind: 'number', own: 'settings', word: 'Table' },
  blurPx: { kind: 'number', own: 'settings', word: 'Blur by distance', high: 8, unit: 'px' },
} as const satisfies Record<string, CueValueRow>;

interface CueValueRow {
  kind: 'colour' | 'number';
  own: 'settings' | 'sun' | 'moon';
  word: string;
  /** Where its chart and its field begin and end; 0 and 1 where nothing is said. */
  low?: number;
  high?: number;
  unit?: string;
}

export type CueValue = keyof typeof CUE_VALUES;
export const CUE_VALUE_NAMES = Object.keys(CUE_VALUES) as CueValue[];

type NamesOf<K extends CueValueRow['kind']> = {
  [V in CueValue]: (typeof CUE_VALUES)[V]['kind'] extends K ? V : never;
}[CueValue];
export type CueNumber = NamesOf<'number'>;
export type CueColour = NamesOf<'colour'>;

export function cueValueRow(value: CueValue): CueValueRow {
  return CUE_VALUES[value];
}

export function isCueColour(value: CueValue): value is CueColour {
  return CUE_VALUES[value].kind === 'colour';
}
