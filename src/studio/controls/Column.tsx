'use client';
/**
 * A column of the desk, folded to its name by a press on its heading. What does not fit below its heading goes on beside it, so that no row is
 * out of sight.
 */
import { ChevronDown } from 'lucide-react';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { useStudio } from '../context';

const WIDTHS = { plain: 174, wide: 216, 'very wide': 316, chart: 364 } as const;
const GAP_PX = 14;

export function Column({
  title,
  aside,
  wide,
  children,
}: {
  title: string;
  aside?: ReactNode;
  wide?: boolean | 'very' | 'chart';
  children: ReactNode;
}) {
  const width = WIDTHS[wide === 'very' ? 'very wide' : wide === 'chart' ? 'chart' : wide ? 'wide' : 'plain'];
  const { preferences } = useStudio();
  const isFolded = useStore(preferences, ({ foldedColumns }) => foldedColumns.includes(title));
  const fold = () =>
    preferences.setState(({ foldedColumns }) => ({
      foldedColumns: isFolded ? foldedColumns.filter((one) => one !== title) : [...foldedColumns, title],
    }));
  const body = useRef<HTMLDivElement>(null);
  const [count, setCount] = useState(1);
  useEffect(() => {
    const { current } = body;
    if (!current) return;
    // What went beside is told by where it stands: rows of a browser's columns do not widen what holds them.
    const look = () => {
      const left = current.getBoundingClientRect().left;
      const rows = [...current.querySelectorAll<HTMLElement>(':scope > *')];
      const far = Math.max(
        0,
        ...rows.flatMap((row) => [...row.getClientRects()].map((box) => box.left - left)),
      );
      setCount(1 + Math.round(far / (width + GAP_PX)));
    };
    look();
    const changed = new MutationObserver(look);
    changed.observe(current, { childList: true, subtree: true });
    const resized = new ResizeObserver(look);
    resized.observe(current);
    return () => {
      changed.disconnect();
      resized.disconnect();
    };
  }, [width, isFolded]);
  if (isFolded)
    return (
      <section aria-label={title} className="h-full shrink-0">
        <h3 className="h-full">
          <button
            type="button"
            aria-expanded={false}
            title={`Unfold ${title}`}
            className="heading-key h-full max-h-full w-[24px] cursor-pointer overflow-hidden border border-line px-px pb-1 text-right [writing-mode:vertical-rl] rotate-180"
            onClick={fold}
          >
            {title}
          </button>
        </h3>
      </section>
    );
  return (
    <section
      className="flex h-full min-h-0 shrink-0 flex-col"
      style={{ width: count * width + (count - 1) * GAP_PX }}
      aria-label={title}
    >
      <h3 className="heading">
        <span className="flex min-w-0 items-center gap-1">
          <button
            type="button"
            aria-label="Fold"
            aria-expanded
            title={`Fold ${title}`}
            className="cursor-pointer text-dust hover:text-chalk"
            onClick={fold}
          >
            <ChevronDown size={10} aria-hidden />
          </button>
          <span className="truncate">{title}</span>
        </span>
        {aside && <span className="tracking-normal normal-case">{aside}</span>}
      </h3>
      <div
        ref={body}
        className="min-h-0 flex-1 [column-fill:auto] *:break-inside-avoid"
        style={{ columnWidth: width, columnGap: GAP_PX }}
      >
        {children}
      </div>
    </section>
  );
}
