'use client';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

const STEP_PX = 16;

/** A border between two parts side by side that is moved by dragging and by the arrow keys; a double click puts it back. */
export function Border({
  label,
  widthPx,
  bounds: [low, high],
  initial,
  onChange,
}: {
  label: string;
  /** Of the part at its left. */
  widthPx: number;
  bounds: readonly [low: number, high: number];
  initial: number;
  onChange(widthPx: number): void;
}) {
  const from = useRef<{ x: number; width: number } | null>(null);
  const set = (width: number) => onChange(Math.round(Math.min(high, Math.max(low, width))));
  const drag = (event: PointerEvent) => {
    if (from.current) set(from.current.width + event.clientX - from.current.x);
  };
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -STEP_PX, ArrowRight: STEP_PX }[event.key];
    if (step === undefined) return;
    set(widthPx + step);
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      role="separator"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuenow={widthPx}
      aria-valuemin={low}
      aria-valuemax={high}
      title="Drag to move the border; double click to put it back"
      className="w-[5px] shrink-0 cursor-col-resize touch-none border-l border-line hover:bg-rail"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, width: widthPx };
      }}
      onPointerMove={drag}
      onPointerUp={() => (from.current = null)}
      onPointerCancel={() => (from.current = null)}
      onDoubleClick={() => set(initial)}
      onKeyDown={onKey}
    />
  );
}
