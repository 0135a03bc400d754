import { oneOf } from '../../fields';

/** How sprites take light. */
export const ANSWERS = ['shaded', 'self-lit', 'seen-when-lit'] as const;
export type Answer = (typeof ANSWERS)[number];

export const answerOrNull = () => oneOf(ANSWERS).nullable().defined().default(null);
