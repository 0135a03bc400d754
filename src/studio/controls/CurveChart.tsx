'use client';
/** A curve by its points on a small chart: dragged, added by a click, taken away by a double click, or all that by keys. */
import { useRef, type PointerEvent } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { LIMITS } from '@/core/limits';

const WIDTH = 214;
const HEIGHT = 82;
const PAD = 5;
/** Points stand at least this share of the way apart. */
const APART = 0.01;

const across = scaleLinear([0, 1], [PAD, WIDTH - PAD]);
const down = scaleLinear([0, 1], [HEIGHT - PAD, PAD]);

const rounded = (v: number) => Math.round(v * 1000) / 1000;

/** `fixed`: the first point stays at 0 and the last at 1; `free`: every point moves, the curve begins again after 1. */
export type CurveEnds = 'fixed' | 'free';

/** A point goes as far as its neighbours; ends that are fixed keep their place across. */
function moved(
  points: number[],
  index: number,
  [u, v]: readonly [number, number],
  ends: CurveEnds,
): number[] {
  const last = points.length / 2 - 1;
  const low = index === 0 ? 0 : points[2 * index - 2] + APART;
  const high = index === last ? (ends === 'fixed' ? 1 : 1 - APART) : points[2 * index + 2] - APART;
  const isFixed = ends === 'fixed' && (index === 0 || index === last);
  const held = isFixed ? (index === 0 ? 0 : 1) : Math.min(high, Math.max(low, u));
  return points.toSpliced(2 * index, 2, rounded(held), rounded(Math.min(1, Math.max(0, v))));
}

const STEP = 0.02;
const STEPS: Record<string, readonly [number, number]> = {
  ArrowUp: [0, STEP],
  ArrowDown: [0, -STEP],
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
};

function canGo(points: number[], index: number, ends: CurveEnds): boolean {
  const last = points.length / 2 - 1;
  return ends === 'fixed' ? index > 0 && index < last : last > 0;
}

/** What a key makes of a point: arrows move it, Enter puts another half way to the next, Delete takes it away. */
function keyed(points: number[], index: number, key: string, ends: CurveEnds): number[] | null {
  const [u, v] = points.slice(2 * index, 2 * index + 2);
  const step = STEPS[key];
  if (step) return moved(points, index, [u + step[0], v + step[1]], ends);
  if (key === 'Delete') return canGo(points, index, ends) ? points.toSpliced(2 * index, 2) : null;
  const isLast = 2 * index + 2 >= points.length;
  if (key !== 'Enter' || (isLast && ends === 'fixed')) return null;
  // After the last point of a free curve comes its first one again.
  const [nextU, nextV] = isLast ? [1, points[1]] : points.slice(2 * index + 2, 2 * index + 4);
  const hasRoom = nextU - u > 2 * APART && points.length < 2 * LIMITS.curvePoints;
  return hasRoom
    ? points.toSpliced(2 * index + 2, 0, rounded((u + nextU) / 2), rounded((v + nextV) / 2))
    : null;
}

export function CurveChart({
  label,
  pointLabel,
  points,
  values,
  ends,
  onPreview,
  onCommit,
  onCancel,
}: {
  label: string;
  /** Behind the number of a point: "of the falloff". */
  pointLabel: string;
  /** Shares across and values in turn, 0 to 1. */
  points: number[];
  /** The curve through them, from 0 to 1 across. */
  values: readonly number[];
  ends: CurveEnds;
  onPreview(points: number[]): void;
  onCommit(points: number[]): void;
  onCancel(): void;
}) {
  const chart = useRef<SVGSVGElement>(null);
  const dragged = useRef<{ index: number; points: number[]; begun: number[] } | null>(null);
  const path = line<number>(
    (_, i) => across(i / (values.length - 1)),
    (v) => down(v),
  );
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
    const isBeyond = index === 0 || 2 * index >= points.length;
    if ((isBeyond && ends === 'fixed') || u > 1 - APART || !isFree(2 * index) || !isFree(2 * index - 2))
      return;
    onCommit(points.toSpliced(2 * index, 0, u, v));
  };
  return (
    <svg
      ref={chart}
      role="group"
      aria-label={label}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="mt-1 h-[82px] w-full cursor-crosshair border border-rail bg-soot"
      onPointerDown={add}
    >
      <path d={path(values)!} className="pointer-events-none fill-none stroke-brass" strokeWidth={1.4} />
      {Array.from({ length: points.length / 2 }, (_, index) => (
        <circle
          key={index}
          role="slider"
          tabIndex={0}
          aria-label={`Point ${index + 1} ${pointLabel}`}
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
            dragged.current.points = moved(points, index, placeOf(event), ends);
            onPreview(dragged.current.points);
          }}
          onPointerUp={() => {
            const { current } = dragged;
            dragged.current = null;
            if (current && current.points !== current.begun) onCommit(current.points);
          }}
          onPointerCancel={() => {
            dragged.current = null;
            onCancel();
          }}
          onDoubleClick={() => {
            if (canGo(points, index, ends)) onCommit(points.toSpliced(2 * index, 2));
          }}
          onKeyDown={(event) => {
            const edited = keyed(points, index, event.key, ends);
            if (!edited) return;
            event.preventDefault();
            event.stopPropagation();
            onCommit(edited);
          }}
        />
      ))}
    </svg>
  );
}
