'use client';
import { useState, type KeyboardEvent } from 'react';
import { calculate } from './calculate';

/** A number that is typed, computed (2*48) and stepped by the arrows up and down. */
export function NumberInput({
  label,
  shown,
  differs = false,
  disabled = false,
  className,
  onCommit,
  onStep,
}: {
  label: string;
  /** How it is written while nobody types. */
  shown: string;
  differs?: boolean;
  disabled?: boolean;
  className: string;
  /** What was typed, worked out; not held to any bounds. */
  onCommit(value: number): void;
  /** @param steps 1 or -1, and ten times as many with Shift */
  onStep(steps: number): void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const finish = () => {
    if (typed === null) return;
    const result = calculate(typed);
    setTyped(null);
    if (result !== null) onCommit(result);
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
    const step = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter') {
      finish();
      event.currentTarget.blur();
    } else if (event.key === 'Escape') {
      setTyped(null);
      event.currentTarget.blur();
    } else if (step !== undefined) {
      event.preventDefault();
      setTyped(null);
      onStep(step * (event.shiftKey ? 10 : 1));
    }
    event.stopPropagation();
  };
  return (
    <input
      className={`field figure text-right ${className}`}
      aria-label={label}
      disabled={disabled}
      value={typed ?? shown}
      onFocus={(event) => {
        setTyped(differs ? '' : shown);
        const field = event.currentTarget;
        // By then the hand may be in another field already; selecting here would take it back.
        requestAnimationFrame(() => document.activeElement === field && field.select());
      }}
      onChange={(event) => setTyped(event.currentTarget.value)}
      // What was only looked at is not changed to how it is written.
      onBlur={() => (typed === shown ? setTyped(null) : finish())}
      onKeyDown={onKey}
    />
  );
}
