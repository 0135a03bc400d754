'use client';
/** The histogram of the gate as it is finished, with what is burnt out and black told in words, and marked while a key is held. */
import { useEffect, useMemo, useRef } from 'react';
import { scalePow } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import { useStore } from 'zustand';
import { BINS, histogramOf, type Histogram } from '@/core/finish/histogram';
import { useDesk, useStudio } from '../context';

/** CSS px. */
const WIDTH = 256;
const HEIGHT = 40;
/** Small enough to be counted within a frame, large enough that a lamp is seen in it. */
const SIDE_PX = 240;
const PICTURE = 'histogram';
/** Counts are drawn by their roots: a dark scene would else be one bar. */
const ROOT = 0.5;

const CHANNELS = [
  ['red', '#d65a4a'],
  ['green', '#6fae5a'],
  ['blue', '#5a86d6'],
] as const;

export function HistogramBand() {
  const studio = useStudio();
  const image = useStore(studio.gateSheet.api, ({ images }) => images.get(PICTURE));
  const triedLook = useDesk((state) => state.triedLook);
  const owner = useRef({});
  useEffect(
    () =>
      studio.gateSheet.want(owner.current, [
        { key: PICTURE, passing: { finish: triedLook ?? 'own' }, sidePx: SIDE_PX },
      ]),
    [studio, triedLook],
  );
  const histogram = useMemo(() => (image ? histogramOf(image) : null), [image]);
  return (
    <div
      role="group"
      aria-label="Histogram of the gate"
      className="flex items-center gap-2 border-t border-r border-line bg-slate px-2"
    >
      <svg width={WIDTH} height={HEIGHT} role="img" aria-label="Histogram" className="shrink-0 bg-soot">
        {histogram && <Curves histogram={histogram} />}
      </svg>
      <div className="flex w-[128px] flex-col">
        <span className="truncate text-small" title="Pixels of the gate in which a channel is at its top">
          {histogram ? `${percent(histogram.burntShare)} burnt out` : 'Counting …'}
        </span>
        <span className="truncate text-small" title="Pixels of the gate in which nothing is left">
          {histogram && `${percent(histogram.blackShare)} black`}
        </span>
      </div>
      <ClippedKey />
    </div>
  );
}

function Curves({ histogram }: { histogram: Histogram }) {
  const most = Math.max(1, ...histogram.luminance, ...CHANNELS.flatMap(([name]) => [...histogram[name]]));
  const x = (i: number) => (i * WIDTH) / BINS;
  const y = scalePow([0, most], [HEIGHT, 1]).exponent(ROOT);
  const closed = (row: Uint32Array) => [...row, row[BINS - 1]];
  const filled = area<number>(
    (_, i) => x(i),
    HEIGHT,
    (v) => y(v),
  ).curve(curveStepAfter);
  const drawn = line<number>(
    (_, i) => x(i),
    (v) => y(v),
  ).curve(curveStepAfter);
  return (
    <>
      <path d={filled(closed(histogram.luminance))!} fill="#8a8d90" fillOpacity={0.55} />
      {CHANNELS.map(([name, colour]) => (
        <path key={name} d={drawn(closed(histogram[name]))!} fill="none" stroke={colour} strokeWidth={1} />
      ))}
    </>
  );
}

function ClippedKey() {
  const studio = useStudio();
  const isShown = useDesk((state) => state.marksClipped);
  const show = (marksClipped: boolean) => studio.desk.setState({ marksClipped });
  return (
    <button
      type="button"
      className="key"
      aria-pressed={isShown}
      title="While it is held: what is burnt out in red, what is black in blue"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        show(true);
      }}
      onPointerUp={() => show(false)}
      onPointerCancel={() => show(false)}
      onKeyDown={(event) => (event.key === ' ' || event.key === 'Enter') && show(true)}
      onKeyUp={() => show(false)}
      onBlur={() => show(false)}
    >
      Mark clipped
    </button>
  );
}

function percent(share: number): string {
  if (share === 0) return '0 %';
  return share < 0.001 ? '< 0.1 %' : `${(100 * share).toFixed(1)} %`;
}
