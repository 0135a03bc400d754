/** Questions that a dialog asks: what each tells, and what may be answered. Their words are in `shell/QuestionDialog.tsx`. */

import type { Image } from '@/core/raster/image';
import type { FrameLoss } from '@/core/scene/frame-follow';

interface Size {
  widthPx: number;
  heightPx: number;
}

interface Questions {
  /** A picture came in under a known name, with another size: it takes the old one's place, comes beside it, or is left. */
  size: { tells: { name: string; from: Size; to: Size }; answers: 'exchange' | 'beside' | 'leave' };
  /** A layered painting was dropped on the stage: each layer on a plane of its own, all parts of one figure, or only artworks. */
  painting: { tells: { name: string; layers: number }; answers: 'planes' | 'figure' | 'shelf' };
  /** Which way the green of a normal map points: its art lit by either reading, and what was found out. */
  orientation: {
    tells: { name: string; up: Image; down: Image; found: string };
    answers: 'up' | 'down' | 'leave';
  };
  /** Frames are to move or go that something names by their numbers, here or in other scenes, given by their names. */
  frames: {
    tells: { name: string; loss: FrameLoss; scenes: readonly string[] };
    answers: 'change' | 'keep';
  };
  /** The bin is to be emptied; what of it is still shown is named. */
  bin: {
    tells: { count: number; used: readonly { name: string; scenes: readonly string[] }[] };
    answers: 'delete' | 'keep';
  };
  /** Something is to be deleted that other scenes of the project use; they are given by their names. */
  deletion: { tells: { name: string; scenes: readonly string[] }; answers: 'delete' | 'keep' };
}

export type QuestionKind = keyof Questions;
export type Told<K extends QuestionKind> = Questions[K]['tells'];
export type Answer<K extends QuestionKind> = Questions[K]['answers'];

/** A question that stands open. */
export interface Question<K extends QuestionKind = QuestionKind> {
  kind: K;
  tells: Told<K>;
  answer(given: Answer<K>): void;
}
