/** What an action is. */
import { benchFacts } from '../store/benches';
import type { Studio } from '../store/studio';

export interface Command {
  id: string;
  words: string;
  /** As `KeyboardEvent.key` in lower case, with `ctrl+`, `shift+` in front; Ctrl stands for Command on a Mac. */
  keys: string[];
  /** Whether it belongs to the bench, or the tool, that is before the person. */
  isHere(studio: Studio): boolean;
  /** Why it cannot be done now, in words; null where it can. Without it, it always can. */
  whyNot?(studio: Studio): string | null;
  run(studio: Studio): void;
}

/** Whether a bench with the stage is before the person. */
export const onStage = (studio: Studio) => benchFacts(studio.desk.getState().bench).hasStage ?? false;

export const nothingPicked = (studio: Studio) =>
  studio.scenes.state.selection.length > 0 ? null : 'Pick something first.';
export const noSpritePicked = (studio: Studio) =>
  studio.pickedOf('sprites').length > 0 ? null : 'Pick a sprite first.';

/** @param fewest how many things have to be picked */
export const fewerPicked = (fewest: number) => (studio: Studio) =>
  studio.scenes.state.selection.length >= fewest ? null : `Pick at least ${fewest} things first.`;
