import type { Edit } from '@/core/scene/edits';
import type { CueValue } from '@/core/time/cue-values';
import type { ItemValue } from '@/core/time/cue-items';
import { useDesk, useScene, useStudio } from '../../context';
import { useGesture } from '../../controls/FieldOf';
import { giveUpItem, isTried, tryItem } from '../../store/day-trial';

/**
 * Setting what cues may hold: where one does, a change is a trial at this hour until it is recorded; elsewhere it is an edit.
 * @param editsFor the edits where no cue holds it
 */
export function useDayItem(value: CueValue, label: string, editsFor: (to: ItemValue) => Edit[]) {
  const studio = useStudio();
  const isHeld = useScene(({ scene }) => Object.values(scene.cues).some((cue) => cue[value] !== null));
  const isTrial = useDesk(({ trial }) => isTried(trial, { value }));
  const gesture = useGesture(studio, label);
  return {
    isHeld,
    isTrial,
    preview: (to: ItemValue) => (isHeld ? tryItem(studio, { value }, to) : gesture.preview(editsFor(to))),
    commit: (to: ItemValue) => (isHeld ? tryItem(studio, { value }, to) : gesture.commit(editsFor(to))),
    cancel: () => (isHeld ? giveUpItem(studio, { value }) : gesture.cancel()),
  };
}
