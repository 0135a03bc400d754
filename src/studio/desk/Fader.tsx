'use client';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

/** Full travel of a fader; finer near the bottom, where the eye is. */
export const FADER_TOP = 8;
const TICKS = [0, 0.25, 1, 2, 4, 8];

const shareOf = (level: number) => Math.cbrt(Math.min(FADER_TOP, Math.max(0, level)) / FADER_TOP);
const levelAt = (share: number) => Math.round(FADER_TOP * share ** 3 * 100) / 100;

export interface FaderProps {
  label: string;
  value: number;
  onPreview(value: number): void;
  onCommit(value: number): void;
  onCancel(): void;
}

/** A vertical fader for a level. */
export function Fader({ label, value, onPreview, onCommit, onCancel }: FaderProps) {
  const rail = useRef<HTMLDivElement>(null);
  const dragged = useRef<number | null>(null);
  const drag = (event: PointerEvent) => {
    if (!(event.buttons & 1) || !rail.current) return;
    const box = rail.current.getBoundingClientRect();
    dragged.current = levelAt(Math.min(1, Math.max(0, (box.bottom - event.clientY) / box.height)));
    onPreview(dragged.current);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowUp: 0.05, ArrowRight: 0.05, ArrowDown: -0.05, ArrowLeft: -0.05, PageUp: 0.5, PageDown: -0.5 }[event.key];
    if (event.key === 'Escape' && dragged.current !== null) {
      dragged.current = null;
      onCancel();
    } else if (by !== undefined) onCommit(Math.round(Math.min(256, Math.max(0, value + by)) * 100) / 100);
    else if (event.key === 'Home') onCommit(0);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={rail}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={FADER_TOP}
      aria-valuenow={value}
      className="relative w-[26px] shrink-0 cursor-ns-resize touch-none"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag(event);
      }}
      onPointerMove={drag}
      onPointerUp={() => {
        if (dragged.current !== null) onCommit(dragged.current);
        dragged.current = null;
      }}
      onPointerCancel={onCancel}
      onKeyDown={onKey}
    >
      <div className="absolute top-0 left-[12px] h-full w-px bg-rail" />
      {TICKS.map((tick) => (
        <div key={tick} className="absolute left-[8px] h-px w-[9px] bg-rail" style={{ bottom: `${shareOf(tick) * 100}%` }} />
      ))}
      <div
        className="absolute left-[2px] h-[8px] w-[21px] translate-y-1/2 border-y-[3px] border-brass bg-soot"
        style={{ bottom: `${shareOf(value) * 100}%` }}
      />
    </div>
  );
}
