'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useEffect, useState } from 'react';
import { snagsIn, type Snag } from '@/core/checks/snags/all-snags';
import { useChecks, useDesk, useScene, useStudio } from '../context';
import { findingsOf, type Finding } from '../store/check-words';
import { isOnStage } from '../store/scene-store';

/** Looked for when nothing has changed for so long. */
const CALM_MS = 300;
/** Of very many the first are shown. */
const MOST_SHOWN = 50;

/** What is probably a mistake: how many, and each with its reason and ways to mend it. There only while there is any. */
export function Snags() {
  const studio = useStudio();
  const snags = useSnags();
  const findings = useFindings();
  const count = snags.length + findings.length;
  if (count === 0) return null;
  return (
    <Popover className="relative">
      <PopoverButton className="key text-signal">
        {count} {count === 1 ? 'snag' : 'snags'}
      </PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="floating z-30 mt-1 max-h-[420px] w-[440px] overflow-y-auto border border-rail bg-slate p-2"
      >
        <ul aria-label="Snags">
          {findings.map(({ words, go }) => (
            <li key={words} className="border-b border-line py-1 last:border-b-0">
              <p>{words}</p>
              <div className="mt-1 flex gap-1">
                <button type="button" className="key" onClick={go}>
                  Go there
                </button>
              </div>
            </li>
          ))}
          {snags.slice(0, MOST_SHOWN).map(({ words, records, mends }, i) => (
            <li key={i} className="border-b border-line py-1 last:border-b-0">
              <p>{words}</p>
              <div className="mt-1 flex gap-1">
                {records.filter(isOnStage).map((picked) => (
                  <button
                    key={picked.id}
                    type="button"
                    className="key"
                    onClick={() => studio.scenes.select([picked])}
                  >
                    Pick it
                  </button>
                ))}
                {mends.map((mend) => (
                  <button
                    key={mend.words}
                    type="button"
                    className="key"
                    onClick={() => studio.scenes.transact({ label: mend.words, edits: mend.edits })}
                  >
                    {mend.words}
                  </button>
                ))}
              </div>
            </li>
          ))}
        </ul>
        {snags.length > MOST_SHOWN && <p className="text-ash">And {snags.length - MOST_SHOWN} more.</p>}
      </PopoverPanel>
    </Popover>
  );
}

/** What the checks of the Time bench found in the scene as it is kept. */
function useFindings(): readonly Finding[] {
  const studio = useStudio();
  // Asked anew when one of these is another.
  useChecks((state) => state);
  useScene(({ scene }) => scene);
  useDesk((state) => state.seenEye);
  useDesk((state) => state.seenLimit);
  return findingsOf(studio);
}

/** The snags of the scene as it is kept, looked for when the hand rests. */
function useSnags(): readonly Snag[] {
  const studio = useStudio();
  const [snags, setSnags] = useState<readonly Snag[]>([]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = () => setSnags(snagsIn(studio.scenes.kept));
    const later = () => {
      clearTimeout(timer);
      timer = setTimeout(look, CALM_MS);
    };
    later();
    const leave = studio.scenes.api.subscribe((state, last) => state.scene !== last.scene && later());
    return () => {
      clearTimeout(timer);
      leave();
    };
  }, [studio]);
  return snags;
}
