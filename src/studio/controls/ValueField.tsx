'use client';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { NumberInput } from './NumberInput';

export interface ValueFieldProps {
  label: string;
  value: number;
  low: number;
  high: number;
  /** Arrows and drags go by this; what is typed may be finer. */
  step?: number;
  /** Drags run evenly over the logarithm, for values that span decades. */
  logarithmic?: boolean;
  unit?: string;
  /** Where a double click or Delete leads back to. */
  initial?: number;
  digits?: number;
  /** Only whole numbers are given out, whatever is typed. */
  whole?: boolean;
  /** Several things are picked and their values differ. */
  differs?: boolean;
  disabled?: boolean;
  onPreview(value: number): void;
  onCommit(value: number): void;
  onCancel(): void;
}

/** A value that is dragged on its rail, typed, computed (2*48), stepped by arrows, and reset by a double click or Delete. */
export function ValueField(props: ValueFieldProps) {
  const {
    label,
    value,
    low,
    high,
    step = 1,
    logarithmic = false,
    unit = '',
    initial,
    whole = false,
    digits = whole ? 0 : 2,
    differs = false,
    disabled = false,
  } = props;
  const { onPreview, onCommit, onCancel } = props;
  const rail = useRef<HTMLDivElement>(null);
  const dragged = useRef<number | null>(null);

  const shareOf = (v: number) => {
    const held = Math.min(high, Math.max(low, v));
    return logarithmic
      ? Math.log((held + softStep(high)) / (low + softStep(high))) /
          Math.log((high + softStep(high)) / (low + softStep(high)))
      : (held - low) / (high - low);
  };
  const valueAt = (share: number) => {
    const s = Math.min(1, Math.max(0, share));
    const raw = logarithmic
      ? (low + softStep(high)) * Math.pow((high + softStep(high)) / (low + softStep(high)), s) -
        softStep(high)
      : low + s * (high - low);
    return Math.min(high, Math.max(low, Math.round(raw / step) * step));
  };
  const tidy = (v: number) => (whole ? Math.round(v) : Number(v.toFixed(4)));

  const drag = (event: PointerEvent) => {
    if (!(event.buttons & 1) || !rail.current || disabled) return;
    const box = rail.current.getBoundingClientRect();
    dragged.current = tidy(valueAt((event.clientX - box.left) / box.width));
    onPreview(dragged.current);
  };
  const release = () => {
    if (dragged.current !== null) onCommit(dragged.current);
    dragged.current = null;
  };
  const held = (v: number) => tidy(Math.min(high, Math.max(low, v)));
  const stepBy = (steps: number) => onCommit(held(value + steps * step));
  const railKey = (event: KeyboardEvent) => {
    const times = event.shiftKey ? 10 : 1;
    if (event.key === 'ArrowLeft' || event.key === 'ArrowDown') stepBy(-times);
    else if (event.key === 'ArrowRight' || event.key === 'ArrowUp') stepBy(times);
    else if (event.key === 'Delete' && initial !== undefined) onCommit(initial);
    else if (event.key === 'Home') onCommit(low);
    else if (event.key === 'End') onCommit(high);
    else if (event.key === 'Escape' && dragged.current !== null) {
      dragged.current = null;
      onCancel();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const percent = `${(shareOf(value) * 100).toFixed(2)}%`;
  const shown = differs ? 'differs' : `${Number(value.toFixed(digits))}`;
  return (
    <div className={`flex h-[24px] items-center gap-[6px] ${disabled ? 'opacity-45' : ''}`}>
      <span className="min-w-[56px] shrink-0">{label}</span>
      <div
        ref={rail}
        role="slider"
        tabIndex={disabled ? -1 : 0}
        aria-label={label}
        aria-valuemin={low}
        aria-valuemax={high}
        aria-valuenow={Number(value.toFixed(digits))}
        aria-valuetext={`${shown} ${unit}`.trim()}
        aria-disabled={disabled}
        className="relative h-5 min-w-6 flex-1 cursor-ew-resize touch-none"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          drag(event);
        }}
        onPointerMove={drag}
        onPointerUp={release}
        onPointerCancel={onCancel}
        onDoubleClick={() => initial !== undefined && onCommit(initial)}
        onKeyDown={railKey}
      >
        <div className="absolute top-[9px] h-px w-full bg-rail" />
        <div className="absolute top-[8px] h-[3px] bg-brass" style={{ width: percent }} />
        <div
          className="absolute top-[3px] h-[13px] w-[4px] -translate-x-1/2 bg-brass"
          style={{ left: percent }}
        />
      </div>
      <NumberInput
        label={`${label}, number`}
        shown={shown}
        differs={differs}
        disabled={disabled}
        className="w-[42px] shrink-0"
        onCommit={(typed) => onCommit(held(typed))}
        onStep={stepBy}
      />
      <span className="figure min-w-[13px] shrink-0 text-ash">{unit}</span>
    </div>
  );
}

/** Keeps a logarithmic rail finite at zero. */
function softStep(high: number): number {
  return high / 200;
}
