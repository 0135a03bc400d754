'use client';
import { change } from '@/core/scene/edits';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import type { CueItem, ItemValue } from '@/core/time/cue-items';
import { cueValueRow } from '@/core/time/cue-values';
import { useGesture } from '../controls/FieldOf';
import { useDesk, useStudio } from '../context';
import { giveUpItem, isTried, itemNow, itemWords, tryItem } from '../store/day-trial';
import { ItemInput } from './ItemInput';
import { useDayNow } from './use-day-now';

/**
 * A value of the day at the hour of the playhead.
 * @param isDirect a setting of the scene is set as it is while no cue holds it; else a change is tried, to be recorded
 */
export function ItemField({
  item,
  isDirect = false,
  short,
}: {
  item: CueItem;
  isDirect?: boolean;
  /** What it is called where its column says the rest. */
  short?: string;
}) {
  const studio = useStudio();
  const isTrial = useDesk((state) => isTried(state.trial, item));
  const value = useDayNow(() => itemNow(studio, item));
  const words = itemWords(studio, item);
  const gesture = useGesture(studio, words);
  const label = `${short ?? words}${isTrial ? ' *' : ''}`;
  // Without cues there is nothing that a trial would stand in for.
  const isOwn = () =>
    'value' in item &&
    cueValueRow(item.value).own === 'settings' &&
    Object.values(studio.scenes.kept.cues).every((cue) => isDirect && cue[item.value] === null);
  const editsFor = (to: ItemValue) => {
    const field = 'value' in item ? item.value : '';
    return change(studio.scenes.kept, 'settings', SETTINGS_ID, { [field]: to }) ?? [];
  };
  const set = (to: ItemValue, isDone: boolean) => {
    if (!isOwn()) tryItem(studio, item, to);
    else if (isDone) gesture.commit([editsFor(to)].flat());
    else gesture.preview([editsFor(to)].flat());
  };
  return (
    <ItemInput
      item={item}
      label={label}
      value={value}
      onPreview={(to) => set(to, false)}
      onCommit={(to) => set(to, true)}
      onCancel={() => (isOwn() ? gesture.cancel() : giveUpItem(studio, item))}
    />
  );
}
