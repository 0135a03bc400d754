'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useDesk } from '../context';

/** Of so many scenes the names are listed. */
const NAMED = 8;

/** Asks whether something is deleted that other scenes use. */
export function DeletionDialog() {
  const deletion = useDesk((state) => state.deletion);
  if (!deletion) return null;
  const { name, scenes, answer } = deletion;
  const more = scenes.length - NAMED;
  return (
    <Dialog open onClose={() => answer(false)} className="relative z-50">
      <div className="fixed inset-0 flex items-center justify-center bg-black/60 p-4">
        <DialogPanel className="w-[480px] border border-rail bg-slate p-4">
          <DialogTitle className="text-large">
            {name} is used in {scenes.length === 1 ? 'another scene' : `${scenes.length} other scenes`}
          </DialogTitle>
          <ul className="my-2">
            {scenes.slice(0, NAMED).map((scene, i) => (
              <li key={i} className="truncate">
                {scene}
              </li>
            ))}
            {more > 0 && <li className="text-ash">and {more} more</li>}
          </ul>
          <p className="my-2 text-ash">
            Deleted, it is gone there too: what was made of it shows nothing, and is counted among the snags
            of that scene. Undo brings it back everywhere.
          </p>
          <div className="flex justify-end gap-2">
            <button type="button" className="key" onClick={() => answer(true)}>
              Delete it all the same
            </button>
            <button type="button" className="key" autoFocus onClick={() => answer(false)}>
              Keep it
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
