/** What an action is. */
import type { Studio } from '../store/studio';

export interface Command {
  id: string;
  words: string;
  /** As `KeyboardEvent.key` in lower case, with `ctrl+`, `shift+` in front; Ctrl stands for Command on a Mac. */
  keys: string[];
  can(studio: Studio): boolean;
  run(studio: Studio): void;
}

/** Whether a bench with the stage is before the person. */
export const onStage = (studio: Studio) => ['stage', 'time'].includes(studio.desk.getState().bench);
export const anyPicked = (studio: Studio) => onStage(studio) && studio.scenes.state.selection.length > 0;
export const spritesPicked = (studio: Studio) => onStage(studio) && studio.pickedOf('sprites').length > 0;
