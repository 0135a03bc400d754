'use client';

/** A choice by itself, without a label beside it. */
export function Select<T extends string>({
  label,
  value,
  options,
  className = '',
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  className?: string;
  onChange(value: T): void;
}) {
  return (
    <select
      aria-label={label}
      title={label}
      className={`field cursor-pointer bg-slate text-brass ${className}`}
      value={value}
      onChange={(event) => onChange(event.currentTarget.value as T)}
    >
      {options.map(([option, words]) => (
        <option key={option} value={option} className="bg-slate text-chalk">
          {words}
        </option>
      ))}
    </select>
  );
}

/** The options of a table of words. */
export function optionsOf<T extends string>(words: Record<T, string>): [T, string][] {
  return Object.entries(words) as [T, string][];
}
