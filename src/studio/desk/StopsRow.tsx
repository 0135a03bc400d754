'use client';
/** Colours from core to reach, on a bar: a click adds one, a double click on one takes it away, a drag moves it. */
import { useRef, useState, type PointerEvent } from 'react';
import { LIMITS } from '@/core/limits';
import type { ColourStop } from '@/core/scene/records/light-look';
import { Row } from '../controls/small';
import type { LookAdapter } from './look-adapter';

export function StopsRow({ of }: { of: LookAdapter }) {
  const { colour, stops } = of.look;
  const bar = useRef<HTMLDivElement>(null);
  const dragged = useRef<{ index: number; stops: ColourStop[]; begun: ColourStop[] } | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const all = [{ at: 0, colour }, ...stops.toSorted((a, b) => a.at - b.at)];
  const gradient = `linear-gradient(in oklab to right, ${all.map((s) => `${s.colour} ${s.at * 100}%`).join(', ')}, ${all.at(-1)!.colour} 100%)`;
  const shareOf = (event: PointerEvent) => {
    const box = bar.current!.getBoundingClientRect();
    return Math.round(Math.min(1, Math.max(0.01, (event.clientX - box.left) / box.width)) * 100) / 100;
  };
  const withStop = (index: number, fields: Partial<ColourStop>) =>
    stops.map((stop, i) => (i === index ? { ...stop, ...fields } : stop));
  return (
    <>
      <Row label={of.mark('stops', 'Colour ramp')}>
        <div
          ref={bar}
          role="group"
          aria-label="Colours from core to reach"
          title="Click for another colour; drag it; a double click takes it away"
          className="relative h-[14px] flex-1 cursor-copy border border-rail"
          style={{ background: gradient }}
          onPointerDown={(event) => {
            if (event.target !== event.currentTarget || stops.length >= LIMITS.colourStops) return;
            setChosen(stops.length);
            of.commit({ stops: [...stops, { at: shareOf(event), colour }] });
          }}
        >
          {stops.map((stop, index) => (
            <button
              key={index}
              type="button"
              aria-label={`Colour at ${Math.round(stop.at * 100)} %`}
              aria-pressed={chosen === index}
              className={`absolute top-[-2px] h-[16px] w-[7px] -translate-x-1/2 cursor-ew-resize border ${chosen === index ? 'border-verdigris' : 'border-chalk'}`}
              style={{ left: `${stop.at * 100}%`, background: stop.colour }}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                dragged.current = { index, stops, begun: stops };
                setChosen(index);
              }}
              onPointerMove={(event) => {
                if (!dragged.current) return;
                dragged.current.stops = withStop(index, { at: shareOf(event) });
                of.preview({ stops: dragged.current.stops });
              }}
              onPointerUp={() => {
                const { current } = dragged;
                dragged.current = null;
                if (current && current.stops !== current.begun) of.commit({ stops: current.stops });
              }}
              onPointerCancel={() => {
                dragged.current = null;
                of.cancel();
              }}
              onDoubleClick={() => {
                setChosen(null);
                of.commit({ stops: stops.filter((_, i) => i !== index) });
              }}
              onKeyDown={(event) => {
                const by = { ArrowLeft: -0.01, ArrowRight: 0.01 }[event.key];
                if (by) of.commit({ stops: withStop(index, { at: Math.min(1, Math.max(0, stop.at + by)) }) });
                if (event.key === 'Delete') of.commit({ stops: stops.filter((_, i) => i !== index) });
                if (by || event.key === 'Delete') {
                  event.preventDefault();
                  event.stopPropagation();
                }
              }}
            />
          ))}
        </div>
        {of.differs('stops') && <span className="ml-1 text-ash">differs</span>}
        {chosen !== null && stops[chosen] && (
          <input
            type="color"
            aria-label="Colour of the chosen stop"
            className="h-[14px] w-[22px] cursor-pointer border-none bg-transparent p-0"
            value={stops[chosen].colour}
            onChange={(event) =>
              of.preview({ stops: withStop(chosen, { colour: event.currentTarget.value }) })
            }
            onBlur={(event) => of.commit({ stops: withStop(chosen, { colour: event.currentTarget.value }) })}
          />
        )}
      </Row>
    </>
  );
}
