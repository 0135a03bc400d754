'use client';
/** A desk of several parts, one at a time: their keys at the left. */
import type { ComponentType } from 'react';

export interface DeskPart {
  word: string;
  about: string;
  Part: ComponentType;
}

export function PartsDesk<P extends string>({
  label,
  order,
  parts,
  part,
  onChange,
}: {
  label: string;
  order: readonly P[];
  parts: Record<P, DeskPart>;
  part: P;
  onChange(part: P): void;
}) {
  const { Part } = parts[part];
  return (
    <div className="flex min-h-0 border-t border-line bg-slate">
      <div
        role="group"
        aria-label={label}
        className="flex w-[72px] shrink-0 flex-col gap-[2px] border-r border-line p-1"
      >
        {order.map((one) => (
          <button
            key={one}
            type="button"
            className="key max-h-[26px] min-h-0 flex-1 py-0 text-left"
            aria-pressed={part === one}
            title={parts[one].about}
            onClick={() => onChange(one)}
          >
            {parts[one].word}
          </button>
        ))}
      </div>
      <div className="min-h-0 min-w-0 flex-1 p-2">
        <Part />
      </div>
    </div>
  );
}
