'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useDesk } from '../context';

/** Asks what the layers of a painting become on the stage. */
export function PaintingDialog() {
  const painting = useDesk((state) => state.painting);
  if (!painting) return null;
  const { name, layers, answer } = painting;
  return (
    <Dialog open onClose={() => answer('shelf')} className="relative z-50">
      <div className="fixed inset-0 flex items-center justify-center bg-black/60 p-4">
        <DialogPanel className="w-[520px] border border-rail bg-slate p-4">
          <DialogTitle className="text-large">
            {name}: {layers === 1 ? 'one layer' : `${layers} layers`}
          </DialogTitle>
          <p className="my-2 text-ash">
            Scenery is best put on planes, each layer on one of its own. The parts of one figure hang on its
            lowest layer and move with it. Places and opacity are kept either way.
          </p>
          <div className="flex justify-end gap-2">
            <button type="button" className="key" onClick={() => answer('planes')}>
              As planes
            </button>
            <button type="button" className="key" onClick={() => answer('figure')}>
              As one figure
            </button>
            <button type="button" className="key" onClick={() => answer('shelf')}>
              Only on the shelf
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
