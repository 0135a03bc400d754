'use client';
import { useStore } from 'zustand';
import { useStudio } from '../context';
import { commandOf } from '../commands/all-commands';
import { keyText } from '../commands/key-text';
import { keysOf } from '../commands/own-keys';

/** A key of the desk's left end: a word, and the key of the keyboard that does the same. */
export function ToolKey({
  words,
  command,
  title,
  pressed,
  onClick,
}: {
  words: string;
  /** The command that it does, whose key is shown. */
  command: string;
  title?: string;
  pressed: boolean;
  onClick(): void;
}) {
  const { preferences } = useStudio();
  const keyName = useStore(preferences, (own) => keysOf(own, commandOf(command)).at(0));
  return (
    <button
      type="button"
      className="key flex min-h-0 items-center justify-between py-0"
      aria-pressed={pressed}
      title={title}
      onClick={onClick}
    >
      {words}
      {keyName && <span className="figure text-dust">{keyText(keyName)}</span>}
    </button>
  );
}
