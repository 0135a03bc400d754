/** Tells the others who have the scene open what is picked here, while there are any. */
import { LIMITS } from '@/core/limits';
import type { PickedName } from '@/core/scene/changes';
import type { ElsewhereStore } from './elsewhere';
import type { SceneStore } from './scene-store';

/** Told when the hand rests for so long. */
const CALM_MS = 200;

/** @param tell sends what is picked @returns to be called at the end */
export function tellPicks(
  scenes: SceneStore,
  elsewhere: ElsewhereStore,
  tell: (picked: readonly PickedName[]) => Promise<unknown>,
): () => void {
  let timer: ReturnType<typeof setTimeout> | null = null;
  const later = () => {
    if (elsewhere.getState().people.length === 0) return;
    if (timer) clearTimeout(timer);
    // It is a courtesy: what does not arrive is told with the next pick.
    timer = setTimeout(
      () => void tell(scenes.state.selection.slice(0, LIMITS.shownPicks)).catch(() => undefined),
      CALM_MS,
    );
  };
  const leave = [
    scenes.api.subscribe((state, last) => state.selection !== last.selection && later()),
    elsewhere.subscribe((state, last) => state.people.length > last.people.length && later()),
  ];
  return () => {
    if (timer) clearTimeout(timer);
    for (const one of leave) one();
  };
}
