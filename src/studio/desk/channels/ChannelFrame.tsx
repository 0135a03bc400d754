'use client';
import type { ReactNode } from 'react';

/** How wide a channel is, px; the list of channels counts by it. */
export const CHANNEL_WIDTH_PX = 62;

/** What every channel has: its place in the row, and its name on top. */
export function ChannelFrame({
  name,
  heading,
  isPicked = false,
  isGroup = false,
  dataKey,
  children,
}: {
  name: string;
  heading: ReactNode;
  isPicked?: boolean;
  /** It stands for several. */
  isGroup?: boolean;
  /** By this a drag across channels knows it. */
  dataKey?: string;
  children: ReactNode;
}) {
  return (
    <section
      aria-label={name}
      data-channel={dataKey}
      style={{ width: CHANNEL_WIDTH_PX }}
      className={`flex h-full shrink-0 flex-col border-r border-line px-[5px] pb-[3px] ${isPicked ? 'border-t-2 border-t-verdigris bg-iron' : isGroup ? 'border-t-2 border-t-rail' : 'pt-[2px]'}`}
    >
      <div className="h-[34px] shrink-0 overflow-hidden leading-[17px] break-words">{heading}</div>
      {children}
    </section>
  );
}
