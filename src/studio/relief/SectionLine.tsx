'use client';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useEffect, useRef } from 'react';
import { useStudio } from '../context';
import type { ReliefController } from './relief-controller';
import { rangeOf } from './relief-view';

const WIDTH = 1000;
const HEIGHT = 42;
const MARGIN = 4;

/**
 * The height along the section line, or along the row under the pointer, live. It is drawn by hand: pointer and brush
 * move too often for React.
 */
export function SectionLine({ controller }: { controller: ReliefController | null }) {
  const studio = useStudio();
  const path = useRef<SVGPathElement>(null);
  const fill = useRef<SVGPathElement>(null);
  const zero = useRef<SVGLineElement>(null);
  const words = useRef<HTMLSpanElement>(null);
  const figures = useRef<HTMLSpanElement>(null);

  useEffect(() => {
    if (!controller) return;
    let frame = 0;
    const draw = () => {
      frame = 0;
      const section = controller.sectionNow();
      const values = section?.values ?? [];
      const [low, high] = rangeOf(values);
      const y = scaleLinear([low, high], [HEIGHT - MARGIN, MARGIN]);
      const x = scaleLinear([0, Math.max(1, values.length - 1)], [0, WIDTH]);
      const at = (_: number, i: number) => x(i);
      path.current!.setAttribute('d', line<number>().x(at).y(y)(values) ?? '');
      fill.current!.setAttribute('d', area<number>().x(at).y0(y(0)).y1(y)(values) ?? '');
      for (const end of ['y1', 'y2']) zero.current!.setAttribute(end, String(y(0)));
      words.current!.textContent = section?.words ?? 'Section';
      figures.current!.textContent = values.length === 0 ? '' : `${low.toFixed(1)}…${high.toFixed(1)} px`;
    };
    const later = () => {
      frame ||= requestAnimationFrame(draw);
    };
    const leave = [controller.listenToShape(later), studio.reliefBench.subscribe(later)];
    later();
    return () => {
      cancelAnimationFrame(frame);
      for (const stop of leave) stop();
    };
  }, [controller, studio]);

  return (
    <div
      aria-label="Section"
      role="group"
      className="grid grid-cols-[104px_minmax(0,1fr)] border-t border-line bg-slate"
    >
      <div className="flex flex-col justify-center border-r border-line px-2">
        <span ref={words} className="truncate leading-[18px]" />
        <span ref={figures} className="figure whitespace-nowrap text-ash" />
      </div>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        className="h-[42px] w-full"
        aria-hidden
      >
        <line ref={zero} x1={0} x2={WIDTH} className="stroke-rail" vectorEffect="non-scaling-stroke" />
        <path ref={fill} className="fill-brass/15" />
        <path ref={path} className="fill-none stroke-brass" vectorEffect="non-scaling-stroke" />
      </svg>
    </div>
  );
}
