'use client';
/** A hair line for each light, from the farthest to the nearest plane that it reaches; the ends of a picked one are dragged. */
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { inOrder } from '@/core/scene/document';
import { changes } from '@/core/scene/edits';
import { useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import type { LightMark, StripRows } from './marks-of';

type End = 'far' | 'near';

const MOST_BARS = 24;

export function SpanBars({ marks, rows }: { marks: readonly LightMark[]; rows: StripRows }) {
  const pickedIds = useScene((state) => state.selection.map(({ id }) => id));
  // Of many the lines would hide what stands there: then only those of picked lights are drawn.
  const shown = marks.length <= MOST_BARS ? marks : marks.filter(({ id }) => pickedIds.includes(id));
  return shown.map((mark) => {
    const isPicked = pickedIds.includes(mark.id);
    const [first, last] = [Math.min(mark.far, mark.near), Math.max(mark.far, mark.near)];
    const top = rows.ends[first];
    const bottom = rows.ends[last + 1];
    return (
      <div
        key={mark.id}
        data-free
        className="pointer-events-none absolute inset-x-1 z-10"
        style={{ top: `calc(${top * 100}% + 3px)`, height: `calc(${(bottom - top) * 100}% - 26px)` }}
      >
        <span
          aria-hidden
          className={`absolute inset-y-0 w-px ${isPicked ? '' : 'opacity-45'}`}
          style={{ left: `${mark.across * 100}%`, background: mark.colour }}
        />
        {isPicked && pickedIds.length === 1 && !mark.locked && (
          <>
            <SpanEnd mark={mark} end="far" rows={rows} />
            <SpanEnd mark={mark} end="near" rows={rows} />
          </>
        )}
      </div>
    );
  });
}

function SpanEnd({ mark, end, rows }: { mark: LightMark; end: End; rows: StripRows }) {
  const studio = useStudio();
  const gesture = useGesture(studio, 'Span');
  const isHeld = useRef(false);
  const planes = useScene(({ scene }) => inOrder(scene.planes).map(([id, { name }]) => ({ id, name })));
  const field = end === 'far' ? 'spanFarId' : 'spanNearId';
  /** An end at the last plane of its side is open: planes that come beyond it are lit too. */
  const last = rows.ends.length - 2;
  const editsAt = (at: number) => {
    const [low, high] = end === 'far' ? [0, mark.near] : [mark.far, last];
    const to = Math.min(high, Math.max(low, at));
    const isOpen = to === (end === 'far' ? 0 : last);
    return changes(studio.scenes.kept, mark.collection, mark.id, {
      [field]: isOpen ? null : planes[to].id,
    });
  };
  const planeAt = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.closest('[data-rows]')!.getBoundingClientRect();
    return rows.at((event.clientY - box.top) / box.height);
  };
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (step === undefined) return;
    gesture.commit(editsAt(mark[end] + step));
    event.preventDefault();
    event.stopPropagation();
  };
  const words = `${mark.name} reaches ${end === 'far' ? 'back' : 'forward'} to ${planes[mark[end]]?.name ?? ''}`;
  return (
    <button
      type="button"
      aria-label={words}
      title={`${words}: drag to another plane`}
      className={`pointer-events-auto absolute h-[5px] w-[9px] -translate-x-1/2 cursor-ns-resize touch-none border border-soot bg-verdigris ${end === 'far' ? 'top-0' : 'bottom-0'}`}
      style={{ left: `${mark.across * 100}%` }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        isHeld.current = true;
      }}
      onPointerMove={(event) => {
        if (isHeld.current && event.buttons & 1) gesture.preview(editsAt(planeAt(event)));
      }}
      onPointerUp={(event) => {
        gesture.commit(editsAt(planeAt(event)));
        isHeld.current = false;
      }}
      onPointerCancel={gesture.cancel}
      onKeyDown={onKey}
    />
  );
}
