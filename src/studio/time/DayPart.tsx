'use client';
import { clockText, cuesInOrder } from '@/core/time/cues';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { CommandKey } from '../controls/CommandKey';
import { Choice, Key } from '../controls/small';
import { useLive, useScene, useStudio } from '../context';
import { goToHour } from '../dayline/Dayline';
import { DAY_SPEEDS } from '../store/live';
import { CueColumns } from './CueColumns';
import { DayChart } from './DayChart';
import { HourColumn } from './HourColumn';

/** The day: its values as curves, what they are at this hour, and the cues that hold them. */
export function DayPart() {
  const cue = useScene((state) => state.selection.find((p) => p.collection === 'cues')?.id ?? null);
  return (
    <BayColumns>
      <DayChart />
      {cue ? <CueColumns id={cue} /> : <HourColumn />}
      <CuesColumn picked={cue} />
    </BayColumns>
  );
}

function CuesColumn({ picked }: { picked: string | null }) {
  const studio = useStudio();
  const cues = useScene((state) =>
    cuesInOrder(state.scene.cues).map(([id, { clockHours }]) => ({ id, clockHours })),
  );
  const rate = useLive((live) => live.playRate);
  return (
    <Column title="Cues" wide aside={`${cues.length} in the day`}>
      <Choice<string>
        label="Play"
        value={String(rate)}
        options={DAY_SPEEDS.map(([speed, words]) => [String(speed), words] as const)}
        onChange={(speed) =>
          studio.live.setState(({ dayRate }) => ({
            playRate: Number(speed),
            dayRate: dayRate === 0 ? 0 : Number(speed),
          }))
        }
      />
      <div className="row mb-1 flex flex-wrap gap-1">
        <CommandKey id="record" />
      </div>
      <div className="flex flex-wrap content-start gap-1">
        {cues.map(({ id, clockHours }) => (
          <button
            key={id}
            type="button"
            className="key figure"
            data-picked={picked === id}
            onClick={() => {
              studio.pick({ collection: 'cues', id });
              goToHour(studio, clockHours);
            }}
          >
            {clockText(clockHours)}
          </button>
        ))}
      </div>
      {cues.length === 0 && (
        <p className="text-ash">
          A cue holds values at its hour; between two of them they run on. Move the playhead, set what should
          be so then, and record.
        </p>
      )}
      {picked && (
        <div className="row">
          <Key onClick={() => studio.pick()}>Leave this cue</Key>
        </div>
      )}
    </Column>
  );
}
