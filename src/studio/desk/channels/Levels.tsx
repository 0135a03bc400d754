'use client';
import { newFieldOf } from '@/core/scene/records/all-records';
import type { CueValue } from '@/core/time/cue-values';
import { useScene, useStudio } from '../../context';
import { NumberInput } from '../../controls/NumberInput';
import { meanLevel, setAcross } from '../../lights/across';
import { isGroup, membersOf, type ChannelEntry } from '../../store/channels';
import { itemNow } from '../../store/day-trial';
import type { FixtureName } from '../../store/fixtures';
import { useDayNow } from '../../time/use-day-now';
import { Fader, FaderFace } from '../Fader';
import { WickTrace } from '../WickTrace';
import { across } from './across';
import { RecordKey } from './RecordKey';
import { useDayItem } from './use-day-item';

/** Fader, trace and figure. */
export function Levels({ entry, name }: { entry: ChannelEntry; name: string }) {
  const follows = useScene(({ scene }) =>
    isGroup(entry) || entry.collection !== 'lights' ? 'nothing' : scene.lights[entry.id]?.follows,
  );
  if (!isGroup(entry) && (follows === 'sun' || follows === 'moon'))
    return <BodyLevels entry={entry} name={name} item={`${follows}Level`} />;
  return <OwnLevels entry={entry} name={name} />;
}

/** A light that follows the sun or the moon: where cues hold its level, a change is a trial at this hour. */
function BodyLevels({ entry, name, item }: { entry: FixtureName; name: string; item: CueValue }) {
  const studio = useStudio();
  const { isHeld, isTrial, commit, cancel } = useDayItem(item, 'Level', () => []);
  const now = useDayNow(() => itemNow(studio, { value: item }) as number);
  return isHeld ? (
    <>
      <LevelControls entry={entry} name={name} value={now} trial={{ cancel }} onCommit={commit} />
      {isTrial && <RecordKey />}
    </>
  ) : (
    <OwnLevels entry={entry} name={name} />
  );
}

function OwnLevels({ entry, name }: { entry: ChannelEntry; name: string }) {
  const studio = useStudio();
  const members = membersOf(entry);
  const value = useScene(({ scene }) => meanLevel(scene, members));
  const differs = useScene(({ scene }) => {
    const [first, ...rest] = members.map(({ collection, id }) => scene[collection][id]?.level);
    return rest.some((level) => level !== first);
  });
  return (
    <LevelControls
      entry={entry}
      name={name}
      value={value}
      differs={differs}
      onCommit={(level) => setAcross(studio, 'level', members, { level: Math.max(0, level) })}
    />
  );
}

function LevelControls({
  entry,
  name,
  value,
  differs = false,
  trial,
  onCommit,
}: {
  entry: ChannelEntry;
  name: string;
  value: number;
  differs?: boolean;
  /** It is tried at this hour, and no drag across channels sets it. */
  trial?: { cancel(): void };
  onCommit(level: number): void;
}) {
  const [first] = membersOf(entry);
  return (
    <>
      <div className="flex min-h-0 flex-1 gap-1 py-1" {...(!trial && across('level'))}>
        {trial ? (
          <Fader
            label={`Level of ${name}`}
            value={value}
            onPreview={onCommit}
            onCommit={onCommit}
            onCancel={trial.cancel}
          />
        ) : (
          <FaderFace
            label={`Level of ${name}`}
            value={value}
            differs={differs}
            initial={newFieldOf(first.collection, 'level')}
            onCommit={onCommit}
          />
        )}
        {!isGroup(entry) && (
          <WickTrace of={first} seconds={4} upright className="pointer-events-none h-full min-w-0 flex-1" />
        )}
      </div>
      <NumberInput
        label={`Level of ${name}, number`}
        shown={value.toFixed(2)}
        className="mb-px w-full shrink-0"
        onCommit={(level) => onCommit(Math.min(256, Math.max(0, level)))}
        onStep={(steps) => onCommit(Math.max(0, Math.round((value + steps * 0.05) * 100) / 100))}
      />
    </>
  );
}
