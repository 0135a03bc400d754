'use client';
/** The columns of a bay, side by side; those that are out of sight are named above, and a press brings them. */
import { useEffect, useRef, useState, type ReactNode } from 'react';

/** @param props.title what stands above the columns; without it there is a line above them only where some are out of sight */
export function BayColumns({ title, children }: { title?: ReactNode; children: ReactNode }) {
  const strip = useRef<HTMLDivElement>(null);
  const [hidden, setHidden] = useState<readonly string[]>([]);
  useEffect(() => {
    const { current } = strip;
    if (!current) return;
    // Told anew only when another set of columns is out of sight: a scrolled pixel renders nothing.
    const look = () => {
      const names = columnsOf(current)
        .filter((column) => !isInSight(column, current))
        .map(nameOf);
      setHidden((last) => (last.join() === names.join() ? last : names));
    };
    look();
    const resized = new ResizeObserver(look);
    const changed = new MutationObserver(look);
    resized.observe(current);
    changed.observe(current, { childList: true });
    current.addEventListener('scroll', look, { passive: true });
    return () => {
      resized.disconnect();
      changed.disconnect();
      current.removeEventListener('scroll', look);
    };
  }, []);
  const bring = (name: string) =>
    columnsOf(strip.current!)
      .find((column) => nameOf(column) === name)
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  return (
    <div className="flex h-full flex-col">
      <div
        className={`mb-1 flex h-[24px] shrink-0 items-center gap-4 ${title || hidden.length > 0 ? '' : 'hidden'}`}
      >
        <div className="flex min-w-0 flex-1 items-center gap-2 whitespace-nowrap">{title}</div>
        {hidden.length > 0 && (
          <nav aria-label="More columns" className="flex shrink-0 items-center gap-3">
            {hidden.map((name) => (
              <button
                key={name}
                type="button"
                className="heading-key shrink-0 cursor-pointer"
                onClick={() => bring(name)}
              >
                {name}
              </button>
            ))}
          </nav>
        )}
      </div>
      <div
        ref={strip}
        className="flex min-h-0 flex-1 gap-[14px] overflow-x-auto overflow-y-hidden [scrollbar-width:none]"
      >
        {children}
      </div>
    </div>
  );
}

function columnsOf(strip: HTMLElement): HTMLElement[] {
  return [...strip.querySelectorAll<HTMLElement>(':scope > section')];
}

function nameOf(column: HTMLElement): string {
  return column.getAttribute('aria-label') ?? '';
}

/** Whether more than half of a column is in sight. */
function isInSight(column: HTMLElement, strip: HTMLElement): boolean {
  const [own, all] = [column.getBoundingClientRect(), strip.getBoundingClientRect()];
  return Math.min(own.right, all.right) - Math.max(own.left, all.left) > own.width / 2;
}
