'use client';
import { useState, type KeyboardEvent } from 'react';
import { calculate } from './calculate';
import { Row } from './small';

export interface RangeFieldProps {
  label: string;
  low: number;
  high: number;
  least: number;
  most: number;
  digits: number;
  unit?: string;
  /** Whether the first may not be above the second. */
  isOrdered?: boolean;
  onChange(low: number, high: number): void;
}

/** The lowest and highest value of something, side by side in its own unit; sums may be typed. */
export function RangeField({
  label,
  low,
  high,
  least,
  most,
  digits,
  unit = '',
  isOrdered = true,
  onChange,
}: RangeFieldProps) {
  const hold = (v: number) => Math.min(most, Math.max(least, v));
  return (
    <Row label={label}>
      <Bound
        label={`${label}, lowest`}
        value={low}
        digits={digits}
        onChange={(v) => onChange(hold(v), isOrdered ? Math.max(hold(v), high) : high)}
      />
      <span className="text-dust">–</span>
      <Bound
        label={`${label}, highest`}
        value={high}
        digits={digits}
        onChange={(v) => onChange(isOrdered ? Math.min(hold(v), low) : low, hold(v))}
      />
      <span className="figure min-w-[13px] shrink-0 text-ash">{unit}</span>
    </Row>
  );
}

function Bound({
  label,
  value,
  digits,
  onChange,
}: {
  label: string;
  value: number;
  digits: number;
  onChange(value: number): void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = `${Number(value.toFixed(digits))}`;
  const finish = () => {
    const result = typed === null ? null : calculate(typed);
    setTyped(null);
    if (result !== null) onChange(result);
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
    const step = 10 ** -digits * (event.shiftKey ? 10 : 1);
    if (event.key === 'Enter') event.currentTarget.blur();
    else if (event.key === 'Escape') {
      setTyped(null);
      event.currentTarget.blur();
    } else if (event.key === 'ArrowUp') onChange(value + step);
    else if (event.key === 'ArrowDown') onChange(value - step);
    event.stopPropagation();
  };
  return (
    <input
      aria-label={label}
      className="field figure w-[42px] text-right"
      value={typed ?? shown}
      onFocus={(event) => {
        setTyped(shown);
        event.currentTarget.select();
      }}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={finish}
      onKeyDown={onKey}
    />
  );
}
