'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useEffect, useState } from 'react';
import type { Snag } from '@/core/checks/snags/all-snags';
import { LIMITS } from '@/core/limits';
import { settingsOf } from '@/core/scene/document';
import { useChecks, useDesk, useScene, useSnags, useStudio } from '../context';
import { findingsOf, type Finding } from '../store/check-words';
import { isOnStage, type Picked } from '../store/scene-store';
import { PictureLook } from '../store/picture-look';
import { allSnags, withAside, withoutAside } from '../store/snags';

/** Of very many the first are shown. */
const MOST_SHOWN = 50;

/** What is probably a mistake: how many, and each with its reason and ways to mend it. There only while there is any. */
export function Snags() {
  const snags = useFollowedSnags();
  const findings = useFindings();
  const open = snags.filter(({ aside }) => aside === null);
  const aside = snags.filter((snag) => snag.aside !== null);
  const notes = findings.filter(({ isInformation }) => isInformation);
  const count = open.length + findings.length - notes.length;
  if (count + aside.length + notes.length === 0) return null;
  return (
    <Popover className="relative">
      <PopoverButton className={`key ${count > 0 ? 'text-signal' : 'text-ash'}`}>
        {count > 0 ? counted(count, 'snag') : notes.length > 0 ? counted(notes.length, 'note') : 'No snags'}
      </PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="floating z-30 mt-1 max-h-[420px] w-[460px] overflow-y-auto border border-rail bg-slate p-2"
      >
        <ul aria-label="Snags">
          {findings.map(({ words, keyWords, go }) => (
            <li key={words} className="border-b border-line py-1 last:border-b-0">
              <p>{words}</p>
              <div className="mt-1 flex gap-1">
                <button type="button" className="key" onClick={go}>
                  {keyWords}
                </button>
              </div>
            </li>
          ))}
          {open.slice(0, MOST_SHOWN).map((snag) => (
            <OpenSnag key={snag.snag + snag.words} snag={snag} />
          ))}
        </ul>
        {open.length > MOST_SHOWN && <p className="text-ash">And {open.length - MOST_SHOWN} more.</p>}
        {aside.length > 0 && <SetAside snags={aside} />}
      </PopoverPanel>
    </Popover>
  );
}

function counted(count: number, word: string): string {
  return count === 1 ? `1 ${word}` : `${count} ${word}s`;
}

function OpenSnag({ snag }: { snag: Snag }) {
  const studio = useStudio();
  const [note, setNote] = useState<string | null>(null);
  const { words, records, mends } = snag;
  const setAside = () => {
    const { asides } = settingsOf(studio.scene);
    studio.setSettings('Set a snag aside', { asides: withAside(asides, snag, note?.trim() ?? '') });
    setNote(null);
  };
  return (
    <li className="border-b border-line py-1 last:border-b-0">
      <p>{words}</p>
      <div className="mt-1 flex flex-wrap gap-1">
        {picksOf(records.filter(isOnStage)).map(([label, picked]) => (
          <button key={label} type="button" className="key" onClick={() => studio.scenes.select(picked)}>
            {label}
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
        {note === null && (
          <button type="button" className="key" onClick={() => setNote('')}>
            Set aside …
          </button>
        )}
      </div>
      {note !== null && (
        <form
          className="mt-1 flex gap-1"
          onSubmit={(event) => {
            event.preventDefault();
            setAside();
          }}
        >
          <input
            autoFocus
            aria-label="Why it is meant so"
            placeholder="Why it is meant so"
            maxLength={LIMITS.noteLength}
            className="field min-w-0 flex-1 border-b border-rail"
            value={note}
            onChange={(event) => setNote(event.currentTarget.value)}
            onKeyDown={(event) => event.stopPropagation()}
          />
          <button type="submit" className="key">
            Set aside
          </button>
        </form>
      )}
    </li>
  );
}

/** Each of two by itself, or all of more. */
function picksOf(records: readonly Picked[]): [label: string, picked: readonly Picked[]][] {
  if (records.length > 2) return [[`Pick all ${records.length}`, records]];
  return records.map((one, i) => [i === 0 ? 'Pick it' : 'Pick the other', [one]]);
}

/** What was looked at and is meant so. */
function SetAside({ snags }: { snags: readonly Snag[] }) {
  const studio = useStudio();
  return (
    <section aria-label="Set aside" className="mt-2">
      <h3 className="heading">Set aside</h3>
      <ul>
        {snags.map((snag) => (
          <li key={snag.snag + snag.words} className="flex items-start gap-2 py-1 text-ash">
            <p className="min-w-0 flex-1">
              {snag.words} {snag.aside && <span className="text-chalk">{snag.aside}</span>}
            </p>
            <button
              type="button"
              className="key shrink-0"
              onClick={() =>
                studio.setSettings('Bring a snag back', {
                  asides: withoutAside(settingsOf(studio.scene).asides, snag),
                })
              }
            >
              Bring back
            </button>
          </li>
        ))}
      </ul>
    </section>
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
  useDesk((state) => state.workLamp);
  return findingsOf(studio);
}

/** The snags of the scene as it is kept and of its picture, looked for when the hand rests. */
function useFollowedSnags(): readonly Snag[] {
  const studio = useStudio();
  useEffect(() => {
    const { snags, scenes, pictures, live } = studio;
    snags.changed();
    const look = new PictureLook(studio);
    look.later();
    const leave = [
      scenes.api.subscribe((state, last) => {
        if (state.scene === last.scene) return;
        snags.changed();
        look.later();
      }),
      pictures.subscribe(() => {
        snags.changed();
        look.later();
      }),
      live.subscribe((state, last) => state.clockHours !== last.clockHours && look.later()),
    ];
    return () => {
      for (const one of leave) one();
      look.close();
      snags.close();
    };
  }, [studio]);
  const state = useSnags((one) => one);
  const scene = useScene((one) => one.scene);
  return allSnags(scene, state);
}
