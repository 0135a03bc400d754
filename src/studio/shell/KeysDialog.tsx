'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { useDesk, useStudio } from '../context';
import { COMMANDS } from '../commands/all-commands';
import type { Command } from '../commands/command';
import { keyText } from '../commands/key-text';
import type { Preferences } from '../store/preferences';
import { giveKey, hasOwnKeys, keysOf, pressedKey, resetKeys } from '../commands/own-keys';

/** What goes by the pointer, and keys that stay as they are. */
const MORE: readonly (readonly [keys: string, words: string])[] = [
  ['Space and drag, or middle button', 'Pan'],
  ['Wheel, + and -', 'Zoom'],
  ['0', 'Show the whole gate'],
  ['Alt and wheel', 'Level of the picked light, height of the hand lamp'],
  ['Escape', 'Cancel, then pick nothing'],
  ['Enter', 'Finish an outline'],
];

/** All keys, shown on a question mark; each is changed by a press on it. */
export function KeysDialog() {
  const studio = useStudio();
  const isOpen = useDesk((state) => state.keysOpen);
  const close = () => studio.desk.setState({ keysOpen: false });
  return (
    <Dialog open={isOpen} onClose={close} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-soot/70 p-8">
        <DialogPanel className="flex max-h-full flex-col border border-rail bg-slate p-4">
          <DialogTitle className="heading">Keys</DialogTitle>
          {isOpen && <KeyList close={close} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function KeyList({ close }: { close(): void }) {
  const studio = useStudio();
  const own = useStore(studio.preferences);
  const [changed, setChanged] = useState<Command | null>(null);
  const [told, setTold] = useState('Click a key in the list to change it.');
  useEffect(() => {
    if (!changed) return;
    const onKey = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopImmediatePropagation();
      const key = pressedKey(event);
      if (key === null) return;
      setChanged(null);
      setTold(
        key === 'escape'
          ? `“${changed.words}” keeps its key.`
          : (giveKey(studio, COMMANDS, changed, key) ?? `${keyText(key)} stands for “${changed.words}” now.`),
      );
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [changed, studio]);
  return (
    <>
      <div className="min-h-0 flex-1 columns-3 gap-6 overflow-auto">
        {COMMANDS.map((command) => (
          <div key={command.id} className="flex break-inside-avoid items-center gap-2">
            <button
              type="button"
              aria-label={`${changed === command ? 'press a key' : shownKeys(own, command)}: key of ${command.words}`}
              title="Change the key"
              className={`figure w-[120px] shrink-0 cursor-pointer text-left ${changed === command ? 'text-chalk' : hasOwnKeys(own, command) ? 'text-verdigris' : 'text-brass'}`}
              onClick={() => {
                setChanged(command);
                setTold(`Press the new key of “${command.words}”, or Escape to leave it.`);
              }}
            >
              {changed === command ? 'press a key' : shownKeys(own, command)}
            </button>
            <span className="min-w-0 flex-1">{command.words}</span>
            {hasOwnKeys(own, command) && (
              <button
                type="button"
                aria-label={`The usual key of ${command.words}`}
                title="The usual key again"
                className="cursor-pointer text-ash"
                onClick={() => resetKeys(studio, command.id)}
              >
                ×
              </button>
            )}
          </div>
        ))}
        {MORE.map(([keys, words]) => (
          <div key={words} className="flex break-inside-avoid gap-2">
            <span className="figure w-[120px] shrink-0 text-ash">{keys}</span>
            <span className="min-w-0 flex-1">{words}</span>
          </div>
        ))}
      </div>
      <div className="mt-3 flex items-center gap-2">
        <p role="status" className="min-w-0 flex-1 text-ash">
          {told}
        </p>
        <button
          type="button"
          className="key"
          disabled={Object.keys(own.keys).length === 0}
          onClick={() => resetKeys(studio, null)}
        >
          All usual keys
        </button>
        <button type="button" className="key" onClick={close}>
          Close
        </button>
      </div>
    </>
  );
}

function shownKeys(own: Pick<Preferences, 'keys'>, command: Command): string {
  return keysOf(own, command).map(keyText).join(' or ') || 'none';
}
