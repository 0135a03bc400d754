'use client';
import { change } from '@/core/scene/edits';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { cueValueRow, isCueColour } from '@/core/time/cue-values';
import { useGesture } from '../controls/FieldOf';
import { ColourField } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useDesk, useStudio } from '../context';
import { giveUpItem, isTried, itemNow, itemWords, tryItem, type DayItem } from '../store/day-trial';
import { useDayNow } from './use-day-now';

const CIRCUIT_ROW = { low: 0, high: 2, unit: undefined };

/**
 * A value of the day at the hour of the playhead.
 * @param isDirect a setting of the scene is set as it is while no cue holds it; else a change is tried, to be recorded
 */
export function ItemField({ item, isDirect = false }: { item: DayItem; isDirect?: boolean }) {
  const studio = useStudio();
  const isTrial = useDesk((state) => isTried(state.trial, item));
  const value = useDayNow(() => itemNow(studio, item));
  const words = itemWords(studio, item);
  const gesture = useGesture(studio, words);
  const label = `${words}${isTrial ? ' *' : ''}`;
  // Without cues there is nothing that a trial would stand in for.
  const isOwn = () =>
    'value' in item &&
    cueValueRow(item.value).own === 'settings' &&
    Object.values(studio.scenes.kept.cues).every((cue) => isDirect && cue[item.value] === null);
  const editsFor = (to: number | string) => {
    const field = 'value' in item ? item.value : '';
    return change(studio.scenes.kept, 'settings', SETTINGS_ID, { [field]: to }) ?? [];
  };
  const set = (to: number | string, isDone: boolean) => {
    if (!isOwn()) tryItem(studio, item, to);
    else if (isDone) gesture.commit([editsFor(to)].flat());
    else gesture.preview([editsFor(to)].flat());
  };
  const cancel = () => (isOwn() ? gesture.cancel() : giveUpItem(studio, item));
  if ('value' in item && isCueColour(item.value))
    return (
      <ColourField
        label={label}
        value={value as string}
        onPreview={(to) => set(to, false)}
        onCommit={(to) => set(to, true)}
      />
    );
  const { low = 0, high = 1, unit } = 'value' in item ? cueValueRow(item.value) : CIRCUIT_ROW;
  return (
    <ValueField
      label={label}
      value={value as number}
      low={low}
      high={high}
      step={0.01}
      unit={unit}
      onPreview={(to) => set(to, false)}
      onCommit={(to) => set(to, true)}
      onCancel={cancel}
    />
  );
}
