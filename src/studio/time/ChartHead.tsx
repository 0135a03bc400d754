'use client';
import { useEffect, useRef } from 'react';
import { useStudio } from '../context';
import { acrossDay, HEIGHT } from './chart-scale';

/** The playhead on a chart of the day; React does not render for it. */
export function ChartHead() {
  const studio = useStudio();
  const head = useRef<SVGLineElement>(null);
  useEffect(() => {
    const show = () => {
      const x = String(acrossDay(studio.live.getState().clockHours));
      head.current?.setAttribute('x1', x);
      head.current?.setAttribute('x2', x);
    };
    show();
    return studio.live.subscribe(show);
  }, [studio]);
  return <line ref={head} className="pointer-events-none stroke-verdigris" y1={0} y2={HEIGHT} />;
}
