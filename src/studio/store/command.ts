/** What an action is. */
import type { Studio } from './studio';

export interface Command {
  id: string;
  words: string;
  /** As `KeyboardEvent.key` in lower case, with `ctrl+`, `shift+` in front; Ctrl stands for Command on a Mac. */
  keys: string[];
  can(studio: Studio): boolean;
  run(studio: Studio): void;
}
