'use client';
/** Every action by its words: typed for, chosen with the arrows, done with Enter. */
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
} from '@headlessui/react';
import { useState } from 'react';
import { useDesk, useStudio } from '../context';
import { paletteItems, type PaletteItem } from '../commands/palette';

export function PaletteDialog() {
  const studio = useStudio();
  const isOpen = useDesk((state) => state.paletteOpen);
  const close = () => studio.desk.setState({ paletteOpen: false });
  return (
    <Dialog open={isOpen} onClose={close} aria-label="Actions" className="relative z-40">
      <div className="fixed inset-0 flex items-start justify-center bg-soot/50 p-[72px]">
        <DialogPanel className="w-[560px] border border-rail bg-slate">
          {isOpen && <Search close={close} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Search({ close }: { close(): void }) {
  const studio = useStudio();
  const [query, setQuery] = useState('');
  const items = paletteItems(studio, query);
  const choose = (item: PaletteItem | null) => {
    if (!item) return;
    close();
    if (item.whyNot !== null) studio.say(item.whyNot);
    else item.run();
  };
  return (
    <Combobox immediate value={null} onChange={choose}>
      <ComboboxInput
        autoFocus
        aria-label="What to do, or what to pick"
        placeholder="What to do, or the name of something to pick"
        className="w-full border-b border-rail bg-soot px-3 py-2 text-large outline-none"
        value={query}
        onChange={(event) => setQuery(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.preventDefault();
          close();
        }}
      />
      <ComboboxOptions static className="max-h-[420px] overflow-y-auto py-1">
        {items.length === 0 && <p className="px-3 py-1 text-ash">Nothing is called that.</p>}
        {items.map((item) => (
          <ComboboxOption
            key={item.id}
            value={item}
            className="flex cursor-pointer items-center gap-3 px-3 py-[3px] data-[focus]:bg-iron"
          >
            <span className={`shrink-0 ${item.whyNot === null ? '' : 'text-dust'}`}>{item.words}</span>
            <span className="min-w-0 flex-1 truncate text-ash">{item.whyNot}</span>
            <span className="figure shrink-0 text-brass">{item.aside}</span>
          </ComboboxOption>
        ))}
      </ComboboxOptions>
    </Combobox>
  );
}
