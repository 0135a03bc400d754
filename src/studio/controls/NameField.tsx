'use client';
import { LIMITS } from '@/core/limits';

/** A name that is changed where it stands; Enter keeps it, Escape leaves it. */
export function NameField({
  name,
  label,
  className = '',
  placeholder,
  mayBeEmpty = false,
  onChange,
}: {
  name: string;
  label: string;
  className?: string;
  placeholder?: string;
  /** An empty name is one that is taken away. */
  mayBeEmpty?: boolean;
  onChange(name: string): void;
}) {
  return (
    <input
      key={name}
      className={`field ${className}`}
      aria-label={label}
      placeholder={placeholder}
      defaultValue={name}
      maxLength={LIMITS.nameLength}
      onBlur={(event) => {
        const next = event.currentTarget.value.trim();
        if ((next !== '' || mayBeEmpty) && next !== name) onChange(next);
        else event.currentTarget.value = name;
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') {
          event.currentTarget.value = name;
          event.currentTarget.blur();
        }
        event.stopPropagation();
      }}
    />
  );
}
