'use client';
import { useRef, useState, type PointerEvent } from 'react';
import { Bay } from './Bay';
import { Channels } from './Channels';
import { ToolKeys } from './ToolKeys';

/** Tools, bay and channels; the border between bay and channels moves. */
export function StageDesk() {
  const [bayWidth, setBayWidth] = useState(768);
  const from = useRef<{ x: number; width: number } | null>(null);
  const drag = (event: PointerEvent) => {
    if (!from.current) return;
    setBayWidth(Math.min(1400, Math.max(320, from.current.width + event.clientX - from.current.x)));
  };
  return (
    <div className="flex min-h-0 border-t border-line bg-slate">
      <ToolKeys />
      <div className="shrink-0" style={{ width: `min(${bayWidth}px, calc(100vw - 320px))` }}>
        <Bay />
      </div>
      <div
        role="separator"
        aria-label="Border between bay and channels"
        aria-orientation="vertical"
        className="w-[5px] shrink-0 cursor-col-resize border-l border-line hover:bg-rail"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          from.current = { x: event.clientX, width: bayWidth };
        }}
        onPointerMove={drag}
        onPointerUp={() => (from.current = null)}
      />
      <Channels />
    </div>
  );
}
