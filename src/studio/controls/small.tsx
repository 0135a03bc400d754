'use client';
/** Small parts of the desk: rows, switches, choices, colours. */
import { useRef, type ReactNode } from 'react';

export function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="row flex h-[24px] items-center gap-2">
      <span className="min-w-[56px] shrink-0">{label}</span>
      <div className="flex min-w-0 flex-1 items-center justify-end gap-1">{children}</div>
    </div>
  );
}

/** On or off, as a word that says which. */
export function Switch({
  label,
  on,
  onChange,
  words = ['on', 'off'],
  warns = false,
  differs = false,
}: {
  label: string;
  on: boolean;
  /** Several things are picked and are not the same in this. */
  differs?: boolean;
  onChange(on: boolean): void;
  words?: [string, string];
  warns?: boolean;
}) {
  return (
    <Row label={label}>
      <button
        type="button"
        role="switch"
        aria-checked={on}
        aria-label={label}
        className={`cursor-pointer px-1 whitespace-nowrap ${on ? '' : warns ? 'text-signal' : 'text-ash'}`}
        onClick={() => onChange(!on)}
      >
        {differs ? 'differs' : on ? words[0] : words[1]}
      </button>
    </Row>
  );
}

const DIFFERS = '';

export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  differs = false,
}: {
  label: string;
  value: T;
  /** Several things are picked and are not the same in this. */
  differs?: boolean;
  options: readonly (readonly [T, string])[];
  onChange(value: T): void;
}) {
  return (
    <Row label={label}>
      <select
        aria-label={label}
        className="field min-w-0 flex-1 cursor-pointer bg-slate text-right text-brass [text-align-last:right]"
        value={differs ? DIFFERS : value}
        onChange={(event) => onChange(event.currentTarget.value as T)}
      >
        {differs && (
          <option value={DIFFERS} disabled className="bg-slate">
            differs
          </option>
        )}
        {options.map(([option, words]) => (
          <option key={option} value={option} className="bg-slate text-chalk">
            {words}
          </option>
        ))}
      </select>
    </Row>
  );
}

/** A colour field: a picker that previews while it moves, and the hex beside it. */
export function ColourField({
  label,
  value,
  differs = false,
  onPreview,
  onCommit,
}: {
  label: string;
  value: string;
  /** Several things are picked and are not the same in this. */
  differs?: boolean;
  onPreview(hex: string): void;
  onCommit(hex: string): void;
}) {
  const moved = useRef<string | null>(null);
  const finish = () => {
    if (moved.current) onCommit(moved.current);
    moved.current = null;
  };
  return (
    <Row label={label}>
      <input
        type="color"
        aria-label={label}
        className="h-[14px] min-w-8 flex-1 cursor-pointer appearance-none border-none bg-transparent p-0 [&::-webkit-color-swatch]:rounded-none [&::-webkit-color-swatch]:border-none [&::-webkit-color-swatch-wrapper]:p-0"
        value={value}
        onChange={(event) => {
          moved.current = event.currentTarget.value;
          onPreview(moved.current);
        }}
        onBlur={finish}
        onPointerLeave={finish}
      />
      <input
        key={`${value} ${differs}`}
        className="field figure w-[54px] shrink-0 text-right"
        aria-label={`${label}, hex`}
        defaultValue={differs ? 'differs' : value}
        onBlur={(event) =>
          /^#[0-9a-f]{6}$/i.test(event.currentTarget.value) &&
          (differs || event.currentTarget.value !== value) &&
          onCommit(event.currentTarget.value)
        }
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          event.stopPropagation();
        }}
      />
    </Row>
  );
}

export function Key({
  children,
  onClick,
  pressed,
  disabled,
  title,
  name,
}: {
  children: ReactNode;
  onClick(): void;
  pressed?: boolean;
  disabled?: boolean;
  title?: string;
  name?: string;
}) {
  return (
    <button
      type="button"
      className="key"
      aria-pressed={pressed}
      aria-label={name}
      disabled={disabled}
      title={title}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
