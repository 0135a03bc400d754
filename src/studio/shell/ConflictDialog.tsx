'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { wordsOf } from '@/core/faults';
import { useStudio, useSync } from '../context';
import { api } from '../store/server-api';

/** The scene was changed elsewhere in the same places: nothing is overwritten before the person has chosen. */
export function ConflictDialog() {
  const studio = useStudio();
  const sync = useSync();
  const router = useRouter();
  const [fault, setFault] = useState<string | null>(null);
  if (sync.kind !== 'conflict') return null;
  const count = studio.sync.unsent.length;

  const keepAsCopy = async () => {
    try {
      const { id } = await api.makeScene(
        studio.info.projectId,
        `${studio.info.name} (mine)`,
        studio.scenes.kept,
      );
      await studio.sync.takeTheirs();
      router.push(`/scenes/${id}`);
    } catch (thrown) {
      setFault(wordsOf(thrown));
    }
  };
  const takeTheirs = () => studio.sync.takeTheirs().catch((thrown: unknown) => setFault(wordsOf(thrown)));

  return (
    <Dialog open onClose={() => undefined} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-soot/70 p-8">
        <DialogPanel className="max-w-[520px] border border-rail bg-slate p-4">
          <DialogTitle className="text-large">This scene was changed elsewhere</DialogTitle>
          <p className="my-3 text-ash">
            It now stands at revision {sync.revision}. {count} of your changes touch the same places and are
            not sent; they are kept in this browser until you choose.
          </p>
          {fault && (
            <p role="alert" className="my-2 text-signal">
              {fault}
            </p>
          )}
          <div className="flex justify-end gap-2">
            <button type="button" className="key" onClick={() => void takeTheirs()}>
              Drop mine, take theirs
            </button>
            <button type="button" className="key" data-picked="true" onClick={() => void keepAsCopy()}>
              Keep mine as a new scene
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
