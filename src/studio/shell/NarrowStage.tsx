'use client';
/** In a window that is too narrow for the desk the stage plays alone. */
import { useSyncExternalStore } from 'react';
import { useLive, useStudio } from '../context';
import { playDay } from '../store/live';
import { Stage } from '../stage/Stage';

const NARROW = '(max-width: 1023px)';

function subscribe(notify: () => void): () => void {
  const query = window.matchMedia(NARROW);
  query.addEventListener('change', notify);
  return () => query.removeEventListener('change', notify);
}

/** Whether the window is too narrow for the desk. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    subscribe,
    () => window.matchMedia(NARROW).matches,
    () => false,
  );
}

export function NarrowStage() {
  const studio = useStudio();
  const plays = useLive((live) => live.dayRate !== 0 && !live.isFrozen);
  return (
    <main className="grid h-dvh grid-rows-[auto_minmax(0,1fr)]">
      <div className="flex flex-wrap items-center gap-3 border-b border-line bg-slate px-4 py-2">
        <p className="min-w-0 flex-1">
          The desk wants a window of at least 1024 px. Make it wider, and it comes back as it was; meanwhile
          the stage plays.
        </p>
        <button type="button" className="key" onClick={() => playDay(studio.live)}>
          {plays ? 'Stop' : 'Play day'}
        </button>
      </div>
      <div className="pointer-events-none grid min-h-0" inert>
        <Stage />
      </div>
    </main>
  );
}
