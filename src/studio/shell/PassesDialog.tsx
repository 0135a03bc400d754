'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { ImagePicture } from '../controls/ImagePicture';
import { useDesk, useStudio } from '../context';
import { USUAL_BUDGETS } from '@/gpu/renderer';
import type { DrawnFrame } from '../store/open-view';

/** The passes of a frame: how long each takes, and what the picture is after it. */
export function PassesDialog() {
  const studio = useStudio();
  const isOpen = useDesk((state) => state.passesOpen);
  const close = () => studio.desk.setState({ passesOpen: false });
  return (
    <Dialog open={isOpen} onClose={close} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-soot/70 p-8">
        <DialogPanel className="flex max-h-full min-w-0 flex-col border border-rail bg-slate p-4">
          <DialogTitle className="heading">Passes of a frame</DialogTitle>
          {isOpen && <Passes />}
          <button type="button" className="key mt-3 self-start" onClick={close}>
            Close
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

const megabytes = (bytes: number) => Math.round(bytes / 1024 / 1024);

function Passes() {
  const studio = useStudio();
  const [frame] = useState<DrawnFrame | null>(() => studio.stage?.passes() ?? null);
  const [chosen, setChosen] = useState(() => (frame?.passes.length ?? 1) - 1);
  if (!frame)
    return <p className="text-ash">The graphics card draws nothing here; there are no passes to show.</p>;
  const { passes, memory } = frame;
  const most = Math.max(...passes.map(({ ms }) => ms));
  const whole = passes.reduce((sum, { ms }) => sum + ms, 0);
  return (
    <div className="flex min-h-0 gap-4 pt-2">
      <ol aria-label="Passes" className="max-h-[440px] w-[320px] shrink-0 overflow-y-auto">
        {passes.map(({ words, ms }, i) => (
          <li key={i}>
            <button
              type="button"
              aria-pressed={i === chosen}
              className={`relative flex w-full cursor-pointer items-center gap-2 px-1 text-left ${i === chosen ? 'bg-iron text-verdigris' : ''}`}
              onClick={() => setChosen(i)}
              onPointerEnter={() => setChosen(i)}
            >
              <span
                className="absolute bottom-0 left-0 h-[2px] bg-brass"
                style={{ width: `${(100 * ms) / most}%` }}
              />
              <span className="min-w-0 flex-1 truncate">{words}</span>
              <span className="figure shrink-0">{ms.toFixed(2)} ms</span>
            </button>
          </li>
        ))}
        <li className="figure flex justify-between border-t border-line px-1 pt-1 text-ash">
          <span>all</span>
          <span>{whole.toFixed(1)} ms</span>
        </li>
      </ol>
      <div className="min-w-0">
        <ImagePicture
          image={passes[chosen].picture}
          name={`The picture after ${passes[chosen].words}`}
          className="max-h-[440px] max-w-[760px]"
        />
        <p className="figure pt-2 text-ash">
          pictures {megabytes(memory.pictureBytes)} of {megabytes(USUAL_BUDGETS.pictureBytes)} MB · shadows{' '}
          {megabytes(memory.maskBytes)} of {megabytes(USUAL_BUDGETS.maskBytes)} MB · all{' '}
          {megabytes(memory.allBytes)} MB · light in {memory.format}
        </p>
      </div>
    </div>
  );
}
