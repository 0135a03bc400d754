'use client';
import type { ReactNode } from 'react';
import { useStudio } from '../context';

/** The upper line of a panel over the stage: its name, its parts if it has several, and the key that closes it. */
export function PanelHead<T extends string>({
  title,
  tabs = {} as Record<T, string>,
  current,
  onTab,
  onClose,
  children,
}: {
  title: string;
  /** The words of its parts. */
  tabs?: Record<T, string>;
  current?: T;
  onTab?(tab: T): void;
  /** Beside taking the panel away. */
  onClose?(): void;
  children?: ReactNode;
}) {
  const studio = useStudio();
  return (
    <div className="flex shrink-0 items-center gap-2 p-2">
      <h2 className="text-plain">{title}</h2>
      {(Object.entries(tabs) as [T, string][]).map(([tab, words]) => (
        <button
          key={tab}
          type="button"
          className="key"
          aria-pressed={current === tab}
          onClick={() => onTab?.(tab)}
        >
          {words}
        </button>
      ))}
      {children ?? <span className="flex-1" />}
      <button
        type="button"
        className="key"
        onClick={() => {
          studio.desk.setState({ panel: null });
          onClose?.();
        }}
      >
        Close
      </button>
    </div>
  );
}
