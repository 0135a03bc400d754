'use client';
import { itemKey } from '@/core/time/cue-items';
import { clockText } from '@/core/time/cues';
import { Column } from '../controls/Column';
import { useDesk, useScene, useStudio } from '../context';
import { dayItems } from '../store/day-trial';
import { ItemField } from './ItemField';
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
        <ItemField key={itemKey(item)} item={item} />
      ))}
    </Column>
  );
}
