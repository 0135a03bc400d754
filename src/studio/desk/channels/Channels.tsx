'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type PointerEvent } from 'react';
import { useStore } from 'zustand';
import { useDesk, useScene, useStudio } from '../../context';
import type { Across } from '../../lights/across';
import { ChannelDrag } from '../../lights/channel-drag';
import { channelsOf, membersOf, type ChannelEntry } from '../../store/channels';
import { LEVEL_TRAVEL } from '../Fader';
import { ChannelHead } from './ChannelHead';
import { CHANNEL_WIDTH_PX } from './ChannelFrame';
import { AmbientChannel, MasterChannel } from './DayChannel';
import { channelKey, FixtureChannel } from './FixtureChannel';

/** The ambient first, then a channel for each light and lamp or several of them, the master last. */
export function Channels() {
  const studio = useStudio();
  const { channelOrder: order, channelFold: fold } = useStore(studio.preferences);
  const query = useDesk((state) => state.channelQuery);
  const openGroups = useDesk((state) => state.openGroups);
  // Costs change with each frame: their order is that of the moment in which it was asked for.
  const costs = useDesk((state) => state.channelCosts);
  const entries = useScene(({ scene }) => channelsOf(scene, { query, order, fold, openGroups, costs }));
  const isEmpty = useScene(
    ({ scene }) => Object.keys(scene.lights).length + Object.keys(scene.lamps).length === 0,
  );
  return (
    <div role="group" aria-label="Channels" className="flex min-w-0 flex-1 flex-col">
      <ChannelHead count={entries.length} />
      <div className="flex min-h-0 flex-1">
        <Row entries={entries} />
        {entries.length === 0 && (
          <p className="min-w-0 flex-1 p-3 text-ash">
            {isEmpty
              ? 'No lights yet. Press P, then press on the stage where a lamp stands.'
              : 'No light, luminaire or set is called that.'}
          </p>
        )}
        <div className="shrink-0 border-l border-rail">
          <MasterChannel />
        </div>
      </div>
    </div>
  );
}

/** The row, of which only what is in sight exists. */
function Row({ entries }: { entries: readonly ChannelEntry[] }) {
  const scroller = useRef<HTMLDivElement>(null);
  const drag = useDragAcross(entries);
  // The list knows by itself when it has to render anew.
  // eslint-disable-next-line react-hooks/incompatible-library
  const row = useVirtualizer({
    horizontal: true,
    count: entries.length + 1,
    getScrollElement: () => scroller.current,
    estimateSize: () => CHANNEL_WIDTH_PX,
    getItemKey: (i) => (i === 0 ? 'ambient' : channelKey(entries[i - 1])),
    overscan: 3,
  });
  return (
    <div
      ref={scroller}
      className={`overflow-x-auto overflow-y-hidden [scrollbar-width:thin] ${entries.length === 0 ? 'shrink-0' : 'min-w-0 flex-1'}`}
      {...drag}
    >
      <div className="relative h-full" style={{ width: row.getTotalSize() }}>
        {row.getVirtualItems().map(({ key, index, start }) => (
          <div key={key} className="absolute inset-y-0" style={{ left: start }}>
            {index === 0 ? <AmbientChannel /> : <FixtureChannel entry={entries[index - 1]} />}
          </div>
        ))}
      </div>
    </div>
  );
}

/** What is pressed on one channel and dragged over others is done to all of them. */
function useDragAcross(entries: readonly ChannelEntry[]) {
  const studio = useStudio();
  const open = useRef<{ drag: ChannelDrag; rail: DOMRect } | null>(null);
  const over = (event: PointerEvent, target: Element | null) => {
    const key = target?.closest('[data-channel]')?.getAttribute('data-channel');
    const entry = entries.find((one) => channelKey(one) === key);
    if (!open.current || !entry) return;
    const { rail, drag } = open.current;
    const share = Math.min(1, Math.max(0, (rail.bottom - event.clientY) / rail.height));
    drag.over(membersOf(entry), LEVEL_TRAVEL.valueAt(share));
  };
  return {
    onPointerDown(event: PointerEvent<HTMLDivElement>) {
      const target = event.target as Element;
      const held = target.closest<HTMLElement>('[data-across]');
      const key = held?.closest('[data-channel]')?.getAttribute('data-channel');
      const entry = entries.find((one) => channelKey(one) === key);
      if (!held || !entry || event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      const rail = held.querySelector('[role="slider"]')?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1);
      const drag = new ChannelDrag(studio, held.dataset.across as Across, membersOf(entry));
      open.current = { drag, rail };
      over(event, target);
    },
    onPointerMove(event: PointerEvent) {
      if (open.current) over(event, document.elementFromPoint(event.clientX, event.clientY));
    },
    onPointerUp() {
      open.current?.drag.end();
      open.current = null;
    },
    onPointerCancel() {
      open.current?.drag.cancel();
      open.current = null;
    },
    onKeyDown(event: { key: string; stopPropagation(): void }) {
      if (event.key !== 'Escape' || !open.current) return;
      event.stopPropagation();
      open.current.drag.cancel();
      open.current = null;
    },
  };
}
