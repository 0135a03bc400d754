/** Copies of what is picked. */
import { stanceOnPlane } from '@/core/moment/stances';
import { clipOf, pasteEdits, type Clip } from '@/core/scene/clip';
import { freshId, type Studio } from './studio';

/** What is picked, to be put elsewhere; null where nothing can be copied. */
export function clipOfPicked(studio: Studio): Clip | null {
  const { scene } = studio;
  const { seconds } = studio.live.getState();
  return clipOf(scene, studio.info.id, studio.scenes.state.selection, (collection, id) =>
    stanceOnPlane(scene, collection, id, seconds),
  );
}

/** Edits that put copies of what is picked in the same place, and which those are; null where nothing can be copied. */
export function copiesInPlace(studio: Studio): ReturnType<typeof pasteEdits> | null {
  const clip = clipOfPicked(studio);
  return clip && pasteEdits(studio.scene, clip, { newId: freshId, planeId: studio.planeId(), shift: [0, 0] });
}
