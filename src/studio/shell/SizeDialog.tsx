'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useDesk } from '../context';

/** Asked when a picture of a known name comes in with another size. */
export function SizeDialog() {
  const question = useDesk((state) => state.question);
  if (!question) return null;
  const { name, from, to, answer } = question;
  return (
    <Dialog open onClose={() => answer('leave')} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-soot/70 p-8">
        <DialogPanel className="w-[460px] border border-rail bg-slate p-4">
          <DialogTitle className="heading">Another size</DialogTitle>
          <p className="mb-3">
            “{name}” is there already with {from.widthPx} × {from.heightPx} px; the new picture has{' '}
            {to.widthPx} × {to.heightPx} px. Recipe and strokes would stay, strokes at their places from the
            upper left.
          </p>
          <div className="flex gap-2">
            <button type="button" className="key" onClick={() => answer('exchange')}>
              Exchange the art
            </button>
            <button type="button" className="key" onClick={() => answer('beside')}>
              Bring it in beside
            </button>
            <button type="button" className="key" onClick={() => answer('leave')}>
              Leave it
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
