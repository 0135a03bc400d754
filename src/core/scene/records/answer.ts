import { oneOf } from '../../fields';

/** How sprites take light. */
export const ANSWERS = ['shaded', 'self-lit', 'seen-when-lit'] as const;
export type Answer = (typeof ANSWERS)[number];

export const answerOrNull = () => oneOf(ANSWERS).nullable().defined().default(null);

/** How soon things show that are seen when lit: at a quarter of the light of white art. */
export const SEEN_GAIN = 4;
