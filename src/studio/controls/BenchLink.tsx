'use client';
import type { ReactNode } from 'react';
import { useStudio } from '../context';
import type { Bench } from '../store/benches';

/** Leads to a bench of this scene: a press goes there at once, with Ctrl, Shift or the middle button it opens as any link does. */
export function BenchLink({
  bench,
  artworkId,
  className,
  title,
  isCurrent = false,
  onGo,
  children,
}: {
  bench: Bench;
  artworkId?: string | null;
  className: string;
  title?: string;
  isCurrent?: boolean;
  /** What else the press does here. */
  onGo?(): void;
  children: ReactNode;
}) {
  const studio = useStudio();
  return (
    <a
      href={`?bench=${bench}${artworkId ? `&art=${artworkId}` : ''}`}
      title={title}
      aria-current={isCurrent ? 'page' : undefined}
      className={className}
      onClick={(event) => {
        if (event.ctrlKey || event.metaKey || event.shiftKey) return;
        event.preventDefault();
        onGo?.();
        studio.desk.setState(artworkId ? { bench, artworkId } : { bench });
      }}
    >
      {children}
    </a>
  );
}
