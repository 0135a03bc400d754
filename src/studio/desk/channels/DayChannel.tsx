'use client';
/** Channels of what the hour decides: the ambient light before all others, the master after them. */
import type { ReactNode } from 'react';
import { SETTINGS_ID, type SceneSettings } from '@/core/scene/records/settings';
import { newFieldOf } from '@/core/scene/records/all-records';
import { changes, type Edit } from '@/core/scene/edits';
import { useStudio } from '../../context';
import { NumberInput } from '../../controls/NumberInput';
import type { Studio } from '../../store/studio';
import { itemNow } from '../../store/day-trial';
import { useDayNow } from '../../time/use-day-now';
import { Fader, LEVEL_TRAVEL, STOPS_TRAVEL, type FaderTravel } from '../Fader';
import { ChannelFrame } from './ChannelFrame';
import { RecordKey } from './RecordKey';
import { useDayItem } from './use-day-item';

type SettingNumber = 'ambientLevel' | 'exposureStops';

export function AmbientChannel() {
  const studio = useStudio();
  const colour = useDayNow(() => studio.ambient().colour);
  const dayColour = useDayItem('ambientColour', 'Ambient light', (value) =>
    settingEdits(studio, { ambientColour: value as string }),
  );
  return (
    <DayChannel
      name="Ambient"
      label="Level of the ambient light"
      field="ambientLevel"
      travel={LEVEL_TRAVEL}
      about="Light that comes from everywhere, at this hour"
    >
      <input
        type="color"
        aria-label="Ambient colour"
        className="h-[8px] w-full shrink-0 cursor-pointer appearance-none border-none bg-transparent p-0 [&::-webkit-color-swatch]:rounded-none [&::-webkit-color-swatch]:border-none [&::-webkit-color-swatch-wrapper]:p-0"
        value={colour}
        onChange={(event) => dayColour.commit(event.currentTarget.value)}
      />
    </DayChannel>
  );
}

export function MasterChannel() {
  return (
    <DayChannel
      name="Master"
      label="Master: exposure"
      field="exposureStops"
      travel={STOPS_TRAVEL}
      about="Exposure of the whole picture, in stops, at this hour"
      unit="st"
    />
  );
}

/** A number of the scene at the hour of the dayline. Where cues hold it, a change is a trial at this hour until it is recorded. */
function DayChannel({
  name,
  label,
  field,
  travel,
  about,
  unit = '',
  children,
}: {
  name: string;
  label: string;
  field: SettingNumber;
  travel: FaderTravel;
  about: string;
  unit?: string;
  children?: ReactNode;
}) {
  const studio = useStudio();
  const value = useDayNow(() => itemNow(studio, { value: field }) as number);
  const item = useDayItem(field, label, (to) => settingEdits(studio, { [field]: to }));
  const initial = newFieldOf('settings', field);
  const held = (to: number) => Math.min(256, Math.max(travel.low, to));
  return (
    <ChannelFrame
      name={name}
      heading={
        <span title={about}>
          {name}
          {item.isTrial && <span className="block text-small text-brass">trial</span>}
        </span>
      }
    >
      {children ?? <div className="h-[8px] shrink-0" />}
      <div className="flex min-h-0 flex-1 justify-center py-1">
        <Fader
          label={label}
          value={value}
          travel={travel}
          initial={initial}
          onPreview={item.preview}
          onCommit={item.commit}
          onCancel={item.cancel}
        />
      </div>
      {item.isTrial && <RecordKey />}
      <div className="flex items-center">
        <NumberInput
          label={`${label}, number`}
          shown={`${Number(value.toFixed(2))}`}
          className="min-w-0 flex-1"
          onCommit={(to) => item.commit(held(to))}
          onStep={(steps) => item.commit(held(Math.round((value + steps * travel.step) * 100) / 100))}
        />
        {unit && <span className="figure pl-px text-ash">{unit}</span>}
      </div>
    </ChannelFrame>
  );
}

function settingEdits(studio: Studio, fields: Partial<SceneSettings>): Edit[] {
  return changes(studio.scenes.kept, 'settings', SETTINGS_ID, fields);
}
