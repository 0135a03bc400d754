'use client';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { cueValueRow, isCueColour } from '@/core/time/cue-values';
import { clockText } from '@/core/time/cues';
import { Column } from '../controls/Column';
import { useGesture } from '../controls/FieldOf';
import { ColourField } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useDesk, useScene, useStudio } from '../context';
import { change } from '@/core/scene/edits';
import {
  dayItems,
  giveUpItem,
  isTried,
  itemKey,
  itemNow,
  itemWords,
  tryItem,
  type DayItem,
} from '../store/day-trial';
import { useDayNow } from './use-day-now';

/** Every value that a cue can hold, as it is at the hour of the playhead. What is changed is a trial until it is recorded. */
export function HourColumn() {
  const studio = useStudio();
  const hours = useDayNow(() => clockText(studio.live.getState().clockHours));
  const items = useScene(() => dayItems(studio));
  const trial = useDesk((state) => state.trial);
  return (
    <Column
      title={`At ${hours}`}
      wide
      aside={
        trial && (
          <button
            type="button"
            className="cursor-pointer text-brass"
            title="What is tried and not recorded goes"
            onClick={() => studio.desk.setState({ trial: null })}
          >
            give up the trial
          </button>
        )
      }
    >
      {items.map((item) => (
        <ItemField key={itemKey(item)} item={item} isTrial={isTried(trial, item)} />
      ))}
    </Column>
  );
}

const CIRCUIT_ROW = { low: 0, high: 2, unit: undefined };

function ItemField({ item, isTrial }: { item: DayItem; isTrial: boolean }) {
  const studio = useStudio();
  const value = useDayNow(() => itemNow(studio, item));
  const words = itemWords(studio, item);
  const gesture = useGesture(studio, words);
  const label = `${words}${isTrial ? ' *' : ''}`;
  // Without cues a value of the scene is set as it is; there is nothing that a trial would stand in for.
  const isOwn = () =>
    'value' in item &&
    cueValueRow(item.value).own === 'settings' &&
    Object.keys(studio.scene.cues).length === 0;
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
