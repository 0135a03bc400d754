/** How answers to light are called. */
import type { Answer } from '@/core/scene/records/answer';

export const ANSWER_WORDS: Record<Answer, string> = {
  shaded: 'Shaded',
  'self-lit': 'Self-lit',
  'seen-when-lit': 'Seen when lit',
};
