'use client';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { scaleLinear } from 'd3-scale';
import { change } from '@/core/scene/edits';
import { clockText, cuesInOrder } from '@/core/time/cues';
import { DAY_HOURS, wrapHours } from '@/core/time/periodic';
import { commandOf, titleOf } from '../commands/all-commands';
import { useDesk, useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import type { Studio } from '../store/studio';
import { isHourTaken, snappedHour } from '../store/cue-edits';
import { RecordPanel } from './RecordPanel';
import { DayStrip } from './DayStrip';

const hoursScale = scaleLinear([0, DAY_HOURS], [0, 100]);
const TICKS = Array.from({ length: 13 }, (_, i) => i * 2);

/** The twenty-four hours: sky, sun and moon, cues, circuits, and the playhead, which is dragged and played. */
export function Dayline() {
  const studio = useStudio();
  const trial = useDesk((state) => state.trial !== null);
  const isRecording = useDesk((state) => state.isRecording);
  const head = useRef<HTMLButtonElement>(null);
  const track = useRef<HTMLDivElement>(null);

  useEffect(() => {
    const show = () => {
      const { clockHours } = studio.live.getState();
      if (!head.current) return;
      head.current.style.left = `${hoursScale(clockHours)}%`;
      head.current.textContent = clockText(clockHours);
      head.current.setAttribute('aria-valuenow', clockHours.toFixed(2));
      head.current.setAttribute('aria-valuetext', clockText(clockHours));
    };
    show();
    return studio.live.subscribe((state, last) => {
      if (state.clockHours !== last.clockHours) show();
    });
  }, [studio]);

  const goTo = (event: PointerEvent) => {
    if (!(event.buttons & 1)) return;
    const box = track.current!.getBoundingClientRect();
    const hours = ((event.clientX - box.left) / box.width) * DAY_HOURS;
    goToHour(studio, Math.min(23.999, Math.max(0, hours)));
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -0.1, ArrowRight: 0.1, PageDown: -1, PageUp: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    goToHour(studio, wrapHours(studio.live.getState().clockHours + by));
  };

  return (
    <div
      aria-label="Dayline"
      role="group"
      className="relative grid grid-cols-[104px_minmax(0,1fr)] border-t border-line bg-slate"
    >
      <RecordPanel />
      <div className="flex items-center justify-between gap-1 border-r border-line px-2">
        <span className="text-ash">Dayline</span>
        <button
          type="button"
          title={titleOf(studio, 'record')}
          aria-expanded={isRecording}
          className={`cursor-pointer border px-1 text-small ${trial ? 'border-brass text-brass' : 'border-line text-ash hover:text-chalk'}`}
          onClick={() => commandOf('record').run(studio)}
        >
          Record
        </button>
      </div>
      <div
        ref={track}
        data-free
        className="relative mx-4 cursor-pointer touch-none"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          goTo(event);
        }}
        onPointerMove={goTo}
      >
        <DayStrip />
        {TICKS.map((hour) => (
          <span
            key={hour}
            className="figure absolute bottom-0 text-dust"
            style={{ left: `${hoursScale(hour)}%`, transform: hour === 24 ? 'translateX(-100%)' : undefined }}
          >
            {String(hour).padStart(2, '0')}
          </span>
        ))}
        <CueMarks track={track} />
        <button
          ref={head}
          type="button"
          role="slider"
          aria-label="Hour"
          aria-valuemin={0}
          aria-valuemax={24}
          aria-valuenow={0}
          className="figure absolute top-[14px] z-10 -translate-x-1/2 cursor-ew-resize bg-verdigris px-[6px] text-soot before:absolute before:-top-[14px] before:left-1/2 before:h-[43px] before:w-px before:bg-verdigris"
          onKeyDown={onKey}
        />
      </div>
    </div>
  );
}

/** Moves the playhead, and stops a day that is played. */
export function goToHour(studio: Studio, clockHours: number): void {
  studio.live.setState({ clockHours, dayRate: 0 });
}

function CueMarks({ track }: { track: React.RefObject<HTMLDivElement | null> }) {
  const studio = useStudio();
  const cues = useScene((state) => cuesInOrder(state.scene.cues).map(([id, cue]) => ({ id, ...cue })));
  const picked = useScene((state) => state.selection.find((p) => p.collection === 'cues')?.id ?? null);
  const gesture = useGesture(studio, 'Move a cue');
  const moved = useRef(false);
  const editsAt = (id: string, clientX: number) => {
    const box = track.current!.getBoundingClientRect();
    const clockHours = snappedHour(((clientX - box.left) / box.width) * DAY_HOURS);
    const isTaken = isHourTaken(studio, clockHours, id);
    const edit = isTaken ? null : change(studio.scenes.kept, 'cues', id, { clockHours });
    return edit ? [edit] : [];
  };
  return (
    <>
      {cues.map(({ id, clockHours }) => (
        <button
          key={id}
          type="button"
          aria-label={`Cue at ${clockText(clockHours)}`}
          title={`Cue at ${clockText(clockHours)}`}
          className={`absolute top-[13px] h-[9px] w-[11px] -translate-x-1/2 cursor-ew-resize touch-none [clip-path:polygon(0_0,100%_0,50%_100%)] ${picked === id ? 'bg-verdigris' : 'bg-brass'}`}
          style={{ left: `${hoursScale(clockHours)}%` }}
          onPointerDown={(event) => {
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
            moved.current = false;
            studio.pick({ collection: 'cues', id });
          }}
          onPointerMove={(event) => {
            if (!(event.buttons & 1)) return;
            event.stopPropagation();
            moved.current = true;
            gesture.preview(editsAt(id, event.clientX));
          }}
          onPointerUp={(event) => {
            if (moved.current) gesture.commit(editsAt(id, event.clientX));
          }}
          onClick={() => !moved.current && goToHour(studio, clockHours)}
        />
      ))}
    </>
  );
}
