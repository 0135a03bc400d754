'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { calculate } from './calculate';

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
  /** Where a double click leads back to. */
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

/** A value that is dragged on its rail, typed, computed (2*48), stepped by arrows, and reset by a double click. */
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
  const [typed, setTyped] = useState<string | null>(null);

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
  const stepBy = (event: KeyboardEvent, by: number) => {
    event.preventDefault();
    const times = event.shiftKey ? 10 : 1;
    onCommit(tidy(Math.min(high, Math.max(low, value + by * step * times))));
  };
  const railKey = (event: KeyboardEvent) => {
    if (event.key === 'ArrowLeft' || event.key === 'ArrowDown') stepBy(event, -1);
    else if (event.key === 'ArrowRight' || event.key === 'ArrowUp') stepBy(event, 1);
    else if (event.key === 'Home') onCommit(low);
    else if (event.key === 'End') onCommit(high);
    else if (event.key === 'Escape' && dragged.current !== null) {
      dragged.current = null;
      onCancel();
    } else return;
    event.stopPropagation();
  };
  const finish = () => {
    if (typed === null) return;
    const result = calculate(typed);
    setTyped(null);
    if (result !== null) onCommit(tidy(Math.min(high, Math.max(low, result))));
  };
  const typeKey = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') {
      finish();
      event.currentTarget.blur();
    } else if (event.key === 'Escape') {
      setTyped(null);
      event.currentTarget.blur();
    } else if (event.key === 'ArrowUp') stepBy(event, 1);
    else if (event.key === 'ArrowDown') stepBy(event, -1);
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
      <input
        className="field figure w-[42px] shrink-0 text-right"
        aria-label={`${label}, number`}
        disabled={disabled}
        value={typed ?? shown}
        onFocus={(event) => {
          setTyped(differs ? '' : shown);
          const field = event.currentTarget;
          // By then the hand may be in another field already; selecting here would take it back.
          requestAnimationFrame(() => document.activeElement === field && field.select());
        }}
        onChange={(event) => setTyped(event.currentTarget.value)}
        onBlur={finish}
        onKeyDown={typeKey}
      />
      <span className="figure min-w-[13px] shrink-0 text-ash">{unit}</span>
    </div>
  );
}

/** Keeps a logarithmic rail finite at zero. */
function softStep(high: number): number {
  return high / 200;
}
