import { createContext, useContext, useMemo, useRef, useSyncExternalStore } from 'react';
import { useStore } from 'zustand';
import { sameValue } from '@/core/scene/edits';
import type { SceneState } from './store/scene-store';
import type { SnagState } from './store/snags';
import type { DeskState } from './store/desk-store';
import type { Live } from './store/live';
import type { Studio } from './store/studio';
import type { RoundsState } from './store/rounds';
import type { MeterState } from './store/meter';
import type { ChecksState } from './store/checks';
import type { Elsewhere } from './store/elsewhere';
import type { AsideEdit, SyncState } from './store/sync';

export const StudioContext = createContext<Studio | null>(null);

export function useStudio(): Studio {
  const studio = useContext(StudioContext);
  if (!studio) throw new Error('This part stands outside a studio.');
  return studio;
}

/** One slice of the scene's state; renders again only when the slice's value changes. */
export function useScene<T>(select: (state: SceneState) => T): T {
  return useStore(useStudio().scenes.api, useSteady(select));
}

export function useDesk<T>(select: (state: DeskState) => T): T {
  return useStore(useStudio().desk, select);
}

/** Slow readings of hot values, such as whether the day plays. Never select a value that moves by itself. */
export function useLive<T>(select: (live: Live) => T): T {
  return useStore(useStudio().live, select);
}

export function useSync(): SyncState {
  return useStore(useStudio().sync.api, (state) => state.sync);
}

/** Edits that cannot be saved. */
export function useAside(): readonly AsideEdit[] {
  return useStore(useStudio().sync.api, (state) => state.aside);
}

export function useElsewhere<T>(select: (state: Elsewhere) => T): T {
  return useStore(useStudio().elsewhere, select);
}

export function useChecks<T>(select: (state: ChecksState) => T): T {
  return useStore(useStudio().checks.api, select);
}

export function useSnags<T>(select: (state: SnagState) => T): T {
  return useStore(useStudio().snags.api, select);
}

export function useMeter<T>(select: (state: MeterState) => T): T {
  return useStore(useStudio().meter.api, select);
}

export function useRounds<T>(select: (state: RoundsState) => T): T {
  return useStore(useStudio().rounds.api, select);
}

/** Counts up whenever a picture or relief arrives. */
export function usePictureTick(): number {
  const { pictures } = useStudio();
  const ticks = useRef(0);
  const subscribe = useMemo(
    () => (notify: () => void) =>
      pictures.subscribe(() => {
        ticks.current++;
        notify();
      }),
    [pictures],
  );
  return useSyncExternalStore(
    subscribe,
    () => ticks.current,
    () => 0,
  );
}

/** A selector that gives back its last value while the new one is the same in content. */
function useSteady<S, T>(select: (state: S) => T): (state: S) => T {
  const last = useRef<T | undefined>(undefined);
  return (state) => {
    const next = select(state);
    if (last.current !== undefined && sameValue(last.current, next)) return last.current;
    last.current = next;
    return next;
  };
}
