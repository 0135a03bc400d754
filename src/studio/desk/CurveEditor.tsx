'use client';
/** The drawn falloff: points on a small chart, dragged, added by a click and taken away by a double click. */
import { useRef, type PointerEvent } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { LIMITS } from '@/core/limits';
import { curveTable } from '@/core/moment/tables';
import type { LookAdapter } from './look-adapter';

const WIDTH = 214;
const HEIGHT = 82;
const PAD = 5;
/** Points stand at least this share of the way apart. */
const APART = 0.01;

const across = scaleLinear([0, 1], [PAD, WIDTH - PAD]);
const down = scaleLinear([0, 1], [HEIGHT - PAD, PAD]);
const path = line<number>(
  (_, i) => across(i / 256),
  (v) => down(v),
);

const rounded = (v: number) => Math.round(v * 1000) / 1000;

/** A point goes as far as its neighbours; the first and last keep their place across. */
function moved(points: number[], index: number, [u, v]: readonly [number, number]): number[] {
  const last = points.length / 2 - 1;
  const low = index === 0 ? 0 : points[2 * index - 2] + APART;
  const high = index === last ? 1 : points[2 * index + 2] - APART;
  const held = index === 0 ? 0 : index === last ? 1 : Math.min(high, Math.max(low, u));
  return points.toSpliced(2 * index, 2, rounded(held), rounded(Math.min(1, Math.max(0, v))));
}

const STEP = 0.02;
const STEPS: Record<string, readonly [number, number]> = {
  ArrowUp: [0, STEP],
  ArrowDown: [0, -STEP],
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
};

/** What a key makes of a point: arrows move it, Enter puts another half way to the next, Delete takes it away. */
function keyed(points: number[], index: number, key: string): number[] | null {
  const [u, v, nextU, nextV] = points.slice(2 * index, 2 * index + 4);
  const isInner = index > 0 && nextU !== undefined;
  const step = STEPS[key];
  if (step) return moved(points, index, [u + step[0], v + step[1]]);
  if (key === 'Delete' && isInner) return points.toSpliced(2 * index, 2);
  const hasRoom = nextU - u > 2 * APART && points.length < 2 * LIMITS.curvePoints;
  if (key === 'Enter' && hasRoom)
    return points.toSpliced(2 * index + 2, 0, rounded((u + nextU) / 2), rounded((v + nextV) / 2));
  return null;
}

export function CurveEditor({ of }: { of: LookAdapter }) {
  const points = of.look.drawnCurve;
  const chart = useRef<SVGSVGElement>(null);
  const dragged = useRef<{ index: number; points: number[]; begun: number[] } | null>(null);
  const placeOf = (event: PointerEvent): [number, number] => {
    const place = new DOMPoint(event.clientX, event.clientY);
    const { x, y } = place.matrixTransform(chart.current!.getScreenCTM()!.inverse());
    const clamp = (v: number) => rounded(Math.min(1, Math.max(0, v)));
    return [clamp(across.invert(x)), clamp(down.invert(y))];
  };
  const add = (event: PointerEvent) => {
    if (event.target !== chart.current || points.length >= 2 * LIMITS.curvePoints) return;
    const [u, v] = placeOf(event);
    let index = 0;
    while (2 * index < points.length && points[2 * index] < u) index++;
    const isFree = (at: number) => points[at] === undefined || Math.abs(points[at] - u) > APART;
    if (index === 0 || 2 * index >= points.length || !isFree(2 * index) || !isFree(2 * index - 2)) return;
    of.commit({ drawnCurve: points.toSpliced(2 * index, 0, u, v) });
  };
  return (
    <svg
      ref={chart}
      role="group"
      aria-label="Drawn falloff, from core to reach"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="mt-1 h-[82px] w-full cursor-crosshair border border-rail bg-soot"
      onPointerDown={add}
    >
      <path
        d={path(Array.from(curveTable(points)))!}
        className="pointer-events-none fill-none stroke-brass"
        strokeWidth={1.4}
      />
      {Array.from({ length: points.length / 2 }, (_, index) => (
        <circle
          key={index}
          role="slider"
          tabIndex={0}
          aria-label={`Point ${index + 1} of the falloff`}
          aria-valuenow={points[2 * index + 1]}
          aria-valuemin={0}
          aria-valuemax={1}
          cx={across(points[2 * index])}
          cy={down(points[2 * index + 1])}
          r={4}
          className="cursor-move fill-soot stroke-verdigris focus:fill-verdigris"
          strokeWidth={1.4}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            dragged.current = { index, points, begun: points };
          }}
          onPointerMove={(event) => {
            if (!dragged.current) return;
            dragged.current.points = moved(points, index, placeOf(event));
            of.preview({ drawnCurve: dragged.current.points });
          }}
          onPointerUp={() => {
            const { current } = dragged;
            dragged.current = null;
            if (current && current.points !== current.begun) of.commit({ drawnCurve: current.points });
          }}
          onPointerCancel={() => {
            dragged.current = null;
            of.cancel();
          }}
          onDoubleClick={() => {
            if (index > 0 && index < points.length / 2 - 1)
              of.commit({ drawnCurve: points.toSpliced(2 * index, 2) });
          }}
          onKeyDown={(event) => {
            const edited = keyed(points, index, event.key);
            if (!edited) return;
            event.preventDefault();
            event.stopPropagation();
            of.commit({ drawnCurve: edited });
          }}
        />
      ))}
    </svg>
  );
}
