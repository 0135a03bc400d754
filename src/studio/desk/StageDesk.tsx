'use client';
import { useStore } from 'zustand';
import { Border } from '../controls/Border';
import { useStudio } from '../context';
import { BAY_WIDTH_PX, USUAL } from '../store/preferences';
import { Bay } from './Bay';
import { Channels } from './channels/Channels';
import { ToolKeys } from './ToolKeys';

/** Tools, bay and channels; the border between bay and channels moves. */
export function StageDesk() {
  const studio = useStudio();
  const bayWidthPx = useStore(studio.preferences, (state) => state.bayWidthPx);
  return (
    <div className="flex min-h-0 border-t border-line bg-slate">
      <ToolKeys />
      <div className="shrink-0" style={{ width: `min(${bayWidthPx}px, calc(100vw - 336px))` }}>
        <Bay />
      </div>
      <Border
        label="Border between bay and channels"
        widthPx={bayWidthPx}
        bounds={BAY_WIDTH_PX}
        initial={USUAL.bayWidthPx}
        onChange={(width) => studio.preferences.setState({ bayWidthPx: width })}
      />
      <Channels />
    </div>
  );
}
