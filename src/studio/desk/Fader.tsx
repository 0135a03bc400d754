'use client';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

/** How values lie along a fader. */
export interface FaderTravel {
  low: number;
  high: number;
  ticks: readonly number[];
  step: number;
  shareOf(value: number): number;
  valueAt(share: number): number;
}

const LEVEL_TOP = 8;
/** Levels: finer near the bottom, where the eye is. */
export const LEVEL_TRAVEL: FaderTravel = {
  low: 0,
  high: LEVEL_TOP,
  ticks: [0, 0.25, 1, 2, 4, 8],
  step: 0.05,
  shareOf: (level) => Math.cbrt(Math.min(LEVEL_TOP, Math.max(0, level)) / LEVEL_TOP),
  valueAt: (share) => Math.round(LEVEL_TOP * share ** 3 * 100) / 100,
};
const STOPS_TOP = 4;
/** Stops of exposure: nothing in the middle. */
export const STOPS_TRAVEL: FaderTravel = {
  low: -STOPS_TOP,
  high: STOPS_TOP,
  ticks: [-4, -2, -1, 0, 1, 2, 4],
  step: 0.05,
  shareOf: (stops) => (Math.min(STOPS_TOP, Math.max(-STOPS_TOP, stops)) + STOPS_TOP) / (2 * STOPS_TOP),
  valueAt: (share) => Math.round((share * 2 - 1) * STOPS_TOP * 20) / 20,
};
const OCTAVE_TOP = 2;
/** Octaves of the grain: nothing in the middle, light is deep below it. */
export const OCTAVE_TRAVEL: FaderTravel = {
  low: -OCTAVE_TOP,
  high: OCTAVE_TOP,
  ticks: [-2, -1, 0, 1, 2],
  step: 0.05,
  shareOf: (value) => (Math.min(OCTAVE_TOP, Math.max(-OCTAVE_TOP, value)) + OCTAVE_TOP) / (2 * OCTAVE_TOP),
  valueAt: (share) => Math.round((share * 2 - 1) * OCTAVE_TOP * 20) / 20,
};

export interface FaderProps {
  label: string;
  value: number;
  travel?: FaderTravel;
  /** Half as wide, where many stand side by side. */
  slim?: boolean;
  /** What a new one has: a double click or Delete leads back to it. */
  initial?: number;
  onPreview(value: number): void;
  onCommit(value: number): void;
  onCancel(): void;
}

/** A vertical fader; of levels where nothing else is said. */
export function Fader({ onPreview, onCancel, ...face }: FaderProps) {
  const { travel = LEVEL_TRAVEL, onCommit } = face;
  const rail = useRef<HTMLDivElement>(null);
  const dragged = useRef<number | null>(null);
  const drag = (event: PointerEvent) => {
    if (!(event.buttons & 1) || !rail.current) return;
    const box = rail.current.getBoundingClientRect();
    dragged.current = travel.valueAt(Math.min(1, Math.max(0, (box.bottom - event.clientY) / box.height)));
    onPreview(dragged.current);
  };
  return (
    <div
      ref={rail}
      className="flex shrink-0"
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
    >
      <FaderFace
        {...face}
        onEscape={() => {
          if (dragged.current === null) return false;
          dragged.current = null;
          onCancel();
          return true;
        }}
      />
    </div>
  );
}

export interface FaderFaceProps extends Omit<FaderProps, 'onPreview' | 'onCancel'> {
  /** Several things stand under it whose values differ. */
  differs?: boolean;
  /** @returns whether there was anything to break off */
  onEscape?(): boolean;
}

/** What of a fader is seen, and goes by keys; who holds it says what a pointer does. */
export function FaderFace({
  label,
  value,
  travel = LEVEL_TRAVEL,
  slim = false,
  differs = false,
  initial,
  onCommit,
  onEscape,
}: FaderFaceProps) {
  const onKey = (event: KeyboardEvent) => {
    const steps = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[
      event.key
    ];
    if (event.key === 'Escape' && onEscape?.()) {
      // It was broken off.
    } else if (steps !== undefined) {
      // Levels may stand above the fader's top; a step never pulls them down to it.
      const next = Math.min(Math.max(travel.high, value), Math.max(travel.low, value + steps * travel.step));
      onCommit(Math.round(next * 100) / 100);
    } else if (event.key === 'Home') onCommit(travel.low);
    else if (event.key === 'Delete' && initial !== undefined) onCommit(initial);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuemin={travel.low}
      aria-valuemax={travel.high}
      aria-valuenow={value}
      aria-valuetext={differs ? `differs, ${value.toFixed(2)} in the middle` : undefined}
      className={`relative ${slim ? 'w-[14px]' : 'w-[26px]'} shrink-0 cursor-ns-resize touch-none`}
      onDoubleClick={() => initial !== undefined && onCommit(initial)}
      onKeyDown={onKey}
    >
      <div className={`absolute top-0 ${slim ? 'left-[7px]' : 'left-[12px]'} h-full w-px bg-rail`} />
      {travel.ticks.map((tick) => (
        <div
          key={tick}
          className={`absolute ${slim ? 'left-[4px] w-[7px]' : 'left-[8px] w-[9px]'} h-px bg-rail`}
          style={{ bottom: `${travel.shareOf(tick) * 100}%` }}
        />
      ))}
      <div
        className={`absolute ${slim ? 'left-[2px] h-[5px] w-[11px] border-y-[2px]' : 'left-[2px] h-[8px] w-[21px] border-y-[3px]'} translate-y-1/2 border-brass ${differs ? 'bg-brass' : 'bg-soot'}`}
        style={{ bottom: `${travel.shareOf(value) * 100}%` }}
      />
    </div>
  );
}
