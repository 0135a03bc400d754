import { oneOf, within } from '../fields';
import type { FinishPass } from './pass';

/** What becomes of values above 1: cut off, or bent over a shoulder. */
export const TONES = ['clip', 'shoulder'] as const;
export type Tone = (typeof TONES)[number];

/** The curve that brings the white level to 1 and bends gently before it (Reinhard et al. 2002). */
export function shoulder(x: number, whiteLevel: number): number {
  return (x * (1 + x / (whiteLevel * whiteLevel))) / (1 + x);
}

/** What the shoulder can bring to white: what settings and cues may hold. */
export const whiteLevel = () => within(1, 256);

interface ToneSettings {
  tone: Tone;
  whiteLevel: number;
}

/** How values above white are brought down. @see numbers: a white level of 0 cuts off above 1, which the encoding does. */
export const tone: FinishPass<ToneSettings, { whiteLevel: number }> = {
  fields: {
    tone: oneOf(TONES).default('clip').meta({ about: 'What becomes of values above 1' }),
    whiteLevel: whiteLevel().default(4).meta({ about: 'What the shoulder brings to white' }),
  },
  numbers: (settings) => ({ whiteLevel: settings.tone === 'shoulder' ? settings.whiteLevel : 0 }),
  isAtRest: ({ whiteLevel }) => whiteLevel === 0,
  apply({ data }, { whiteLevel }) {
    for (let i = 0; i < data.length; i++) data[i] = shoulder(data[i], whiteLevel);
  },
};
