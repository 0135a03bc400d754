'use client';
/** What a cue records at this hour: what is tried stands ticked, all else can be added. */
import { useEffect, useRef, useState } from 'react';
import { clockText } from '@/core/time/cues';
import { itemKey, type CueItem } from '@/core/time/cue-items';
import { Key } from '../controls/small';
import { useDesk, useStudio } from '../context';
import {
  cueHere,
  dayItems,
  isTried,
  itemNow,
  itemWords,
  offeredItems,
  recordItems,
} from '../store/day-trial';
import { useDayNow } from '../time/use-day-now';

export function RecordPanel() {
  const studio = useStudio();
  const isOpen = useDesk((state) => state.isRecording);
  return isOpen ? <Panel key={studio.info.id} /> : null;
}

function Panel() {
  const studio = useStudio();
  const trial = useDesk((state) => state.trial);
  const [ticked, setTicked] = useState(() => new Set(offeredItems(studio).map(itemKey)));
  const hour = useDayNow(() => clockText(studio.live.getState().clockHours));
  const isThere = useDayNow(() => cueHere(studio) !== null);
  const record = useRef<HTMLDivElement>(null);
  const close = () => studio.desk.setState({ isRecording: false });
  useEffect(() => {
    // Wherever the focus has gone meanwhile, Escape closes it first.
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      studio.desk.setState({ isRecording: false });
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [studio]);
  useEffect(() => {
    const before = document.activeElement;
    record.current?.querySelector<HTMLElement>('[data-record]')?.focus();
    return () => {
      if (before instanceof HTMLElement) before.focus();
    };
  }, []);
  const items = dayItems(studio);
  const chosen = items.filter((item) => ticked.has(itemKey(item)));
  const tried = items.filter((item) => isTried(trial, item));
  const rest = items.filter((item) => !tried.includes(item));
  const toggle = (key: string) =>
    setTicked((last) => {
      const next = new Set(last);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  return (
    <div
      ref={record}
      role="dialog"
      aria-label={`Record a cue at ${hour}`}
      // Its corners are not quite square: a browser without a graphics card leaves the stage beside a square one white.
      className="absolute bottom-full left-0 z-30 w-[300px] rounded-[2px] border border-rail bg-iron p-2"
    >
      <h3 className="heading">{isThere ? `Into the cue at ${hour}` : `A cue at ${hour}`}</h3>
      <div className="max-h-[400px] overflow-y-auto [scrollbar-width:thin]">
        {tried.length > 0 && (
          <Ticks title="Changed since the last record" items={tried} ticked={ticked} onToggle={toggle} />
        )}
        <Ticks
          title={tried.length > 0 ? 'As it is' : 'What it is to hold'}
          items={rest}
          ticked={ticked}
          onToggle={toggle}
        />
      </div>
      <div className="row mt-1 flex gap-1">
        <button
          type="button"
          data-record
          className="key"
          disabled={chosen.length === 0}
          onClick={() => recordItems(studio, chosen)}
        >
          Record {chosen.length === 1 ? 'one value' : `${chosen.length} values`}
        </button>
        <Key onClick={close}>Not now</Key>
      </div>
    </div>
  );
}

function Ticks({
  title,
  items,
  ticked,
  onToggle,
}: {
  title: string;
  items: readonly CueItem[];
  ticked: ReadonlySet<string>;
  onToggle(key: string): void;
}) {
  const studio = useStudio();
  return (
    <fieldset className="mb-1">
      <legend className="text-small text-ash">{title}</legend>
      {items.map((item) => {
        const key = itemKey(item);
        const now = itemNow(studio, item);
        return (
          <label key={key} className="flex h-[22px] cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              className="accent-brass"
              checked={ticked.has(key)}
              onChange={() => onToggle(key)}
            />
            <span className="flex-1">{itemWords(studio, item)}</span>
            {typeof now === 'string' && <span className="h-[10px] w-6" style={{ background: now }} />}
            <span className="figure text-ash">{typeof now === 'number' ? now.toFixed(2) : now}</span>
          </label>
        );
      })}
    </fieldset>
  );
}
