'use client';
import { useEffect, useRef } from 'react';
import { useStudio } from '../context';

/** A thin bar: what a light costs beside the most expensive one of the stage. It moves without React. */
export function CostBar({ id, name }: { id: string; name: string }) {
  const studio = useStudio();
  const bar = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const show = () => {
      const share = studio.costs.getState().shares.get(id) ?? 0;
      bar.current!.style.width = `${100 * share}%`;
      bar.current!.parentElement!.title = `Costs ${Math.round(100 * share)} % of what the most expensive light costs`;
    };
    show();
    return studio.costs.subscribe(show);
  }, [studio, id]);
  return (
    <div role="img" aria-label={`Cost of ${name}`} className="mt-[2px] h-[3px] shrink-0 bg-iron">
      <div ref={bar} className="h-full bg-dust" />
    </div>
  );
}
