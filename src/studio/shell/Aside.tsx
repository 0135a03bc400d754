'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useAside, useStudio } from '../context';
import { recordWords } from '../store/elsewhere';

/** Of very many the first are shown. */
const MOST_SHOWN = 20;

/** Changes that cannot be saved: they stand here, and are kept in this browser, until somebody decides. */
export function Aside() {
  const studio = useStudio();
  const aside = useAside();
  if (aside.length === 0) return null;
  const words = `${aside.length} ${aside.length === 1 ? 'change' : 'changes'} not saved`;
  return (
    <Popover className="relative">
      <PopoverButton className="key whitespace-nowrap text-signal">{words}</PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="floating z-30 mt-1 max-h-[420px] w-[440px] overflow-y-auto border border-rail bg-slate p-2"
      >
        <p className="text-ash">
          The server does not take these. Everything else is saved; they stay in this browser until you
          decide.
        </p>
        <ul aria-label="Changes not saved">
          {aside.slice(0, MOST_SHOWN).map(({ edit: { collection, id, after }, why }, i) => (
            <li key={i} className="border-b border-line py-1 last:border-b-0">
              {recordWords(collection, studio.scene[collection][id] ?? after)}: {why}
            </li>
          ))}
        </ul>
        {aside.length > MOST_SHOWN && <p className="text-ash">And {aside.length - MOST_SHOWN} more.</p>}
        <div className="mt-2 flex justify-end gap-1">
          <button type="button" className="key" onClick={() => studio.sync.sendAside()}>
            Try again
          </button>
          <button type="button" className="key" onClick={() => studio.sync.undoAside()}>
            Undo them
          </button>
        </div>
      </PopoverPanel>
    </Popover>
  );
}
