'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useState } from 'react';
import { COMMANDS } from '../commands/all-commands';
import { keyText } from '../commands/key-text';

const MORE: [string, string][] = [
  ['Space and drag, or middle button', 'Pan'],
  ['Wheel, + and -', 'Zoom'],
  ['0', 'Show the whole gate'],
  ['Alt and wheel', 'Level of the picked light, height of the hand lamp'],
  ['Escape', 'Cancel, then pick nothing'],
  ['Enter', 'Finish an outline'],
];

/** All keys, shown on a question mark. */
export function KeysDialog() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping = (event.target as HTMLElement).tagName === 'INPUT';
      if (event.key === '?' && !isTyping) setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-soot/70 p-8">
        <DialogPanel className="max-h-full overflow-auto border border-rail bg-slate p-4">
          <DialogTitle className="heading">Keys</DialogTitle>
          <dl className="grid grid-cols-[auto_auto_auto_auto] gap-x-4 gap-y-1">
            {[
              ...COMMANDS.map(({ keys, words }): [string, string] => [keys.map(keyText).join(' or '), words]),
              ...MORE,
            ].map(([keys, words]) => (
              <div key={words} className="contents">
                <dt className="figure text-brass">{keys}</dt>
                <dd>{words}</dd>
              </div>
            ))}
          </dl>
          <button type="button" className="key mt-4" onClick={() => setOpen(false)}>
            Close
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
