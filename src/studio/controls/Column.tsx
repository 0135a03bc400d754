'use client';
/** A column of the desk. What does not fit below its heading goes on beside it, so that no row is out of sight. */
import { useEffect, useRef, useState, type ReactNode } from 'react';

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
  }, [width]);
  return (
    <section
      className="flex h-full min-h-0 shrink-0 flex-col"
      style={{ width: count * width + (count - 1) * GAP_PX }}
      aria-label={title}
    >
      <h3 className="heading">
        <span>{title}</span>
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
