/** Where a person left the stage of a scene: zoom and place, kept in their browser. */
import type { LiveStore } from '../store/live';

const KEEP_AFTER_MS = 400;

interface KeptView {
  zoom: number;
  viewX: number;
  viewY: number;
}

function keyOf(sceneId: string): string {
  return `oilwick-view/${sceneId}`;
}

function readView(sceneId: string): KeptView | null {
  try {
    const view = JSON.parse(localStorage.getItem(keyOf(sceneId)) ?? 'null') as Partial<KeptView> | null;
    const { zoom, viewX, viewY } = view ?? {};
    const isSound = [zoom, viewX, viewY].every(Number.isFinite) && zoom! > 0;
    return isSound ? { zoom: zoom!, viewX: viewX!, viewY: viewY! } : null;
  } catch {
    return null;
  }
}

/**
 * Takes the view back that was left, and keeps it from then on.
 * @returns the end of keeping it
 */
export function keepView(sceneId: string, live: LiveStore): () => void {
  const last = live.getState().zoom === 0 ? readView(sceneId) : null;
  if (last) live.setState(last);
  let timer: ReturnType<typeof setTimeout> | null = null;
  const write = () => {
    timer = null;
    const { zoom, viewX, viewY, walk } = live.getState();
    // While a figure walks the view only lasts as long as that.
    if (walk) return;
    try {
      localStorage.setItem(keyOf(sceneId), JSON.stringify({ zoom, viewX, viewY }));
    } catch {
      // A full or forbidden storage only costs the view its memory.
    }
  };
  const leave = live.subscribe((state, before) => {
    const moved = state.zoom !== before.zoom || state.viewX !== before.viewX || state.viewY !== before.viewY;
    if (moved) timer ??= setTimeout(write, KEEP_AFTER_MS);
  });
  return () => {
    leave();
    if (!timer) return;
    clearTimeout(timer);
    write();
  };
}
