'use client';
/** The channel of a light, of a lamp, or of several of them under one fader. */
import type { SceneDocument } from '@/core/scene/document';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import { useDesk, useElsewhere, useScene, useStudio } from '../../context';
import { setAcross, type Across } from '../../lights/across';
import { isGroup, membersOf, type ChannelEntry, type ChannelGroup } from '../../store/channels';
import type { FixtureName } from '../../store/fixtures';
import { toggled } from '../../store/desk-store';
import { CostBar } from '../CostBar';
import { across, byKeyAlone } from './across';
import { ChannelFrame } from './ChannelFrame';
import { Levels } from './Levels';
import { Letters, ShadowsKey } from './WiringKeys';

export function channelKey(entry: ChannelEntry): string {
  return isGroup(entry) ? `group/${entry.groupId}` : `${entry.collection}/${entry.id}`;
}

export function FixtureChannel({ entry }: { entry: ChannelEntry }) {
  const studio = useStudio();
  const members = membersOf(entry);
  const ids = members.map(({ id }) => id);
  const name = useScene(({ scene }) =>
    isGroup(entry) ? entry.name : (scene[entry.collection][entry.id]?.name ?? ''),
  );
  const colours = useScene(({ scene }) => coloursOf(scene, members));
  const isPicked = useScene(({ selection }) => ids.every((id) => selection.some((one) => one.id === id)));
  const isSolo = useDesk(({ solo }) => ids.every((id) => solo.has(id)));
  const isMuted = useDesk(({ muted }) => ids.every((id) => muted.has(id)));
  const isOut = useDesk(({ solo, muted }) =>
    ids.every((id) => muted.has(id) || (solo.size > 0 && !solo.has(id))),
  );
  const others = useElsewhere(({ people }) =>
    people
      .filter(({ picked }) => picked.some(({ id }) => ids.includes(id)))
      .map((one) => one.name || 'Somebody')
      .join(', '),
  );
  return (
    <ChannelFrame
      name={name}
      dataKey={channelKey(entry)}
      isPicked={isPicked}
      isGroup={isGroup(entry)}
      heading={
        <button
          type="button"
          aria-label={isGroup(entry) ? `Pick all of ${name}` : `Pick ${name}`}
          title={name}
          className={`w-full cursor-pointer text-left ${isOut ? 'text-dust' : ''}`}
          onClick={(event) => {
            const others = event.shiftKey ? studio.scenes.state.selection : [];
            studio.pick(...others, ...members);
          }}
        >
          {others && (
            <span
              title={`${others} picked this`}
              className="float-right ml-[2px] border border-ash px-[2px] text-small leading-[12px] text-ash"
            >
              {others.slice(0, 1).toUpperCase()}
            </span>
          )}
          {name}
        </button>
      }
    >
      <div className="flex h-[4px] shrink-0" style={{ opacity: isOut ? 0.3 : 1 }}>
        {colours.map((colour, i) => (
          <span key={i} className="flex-1" style={{ background: colour }} />
        ))}
      </div>
      <Levels entry={entry} name={name} />
      <div className="flex gap-[3px]">
        <Toggle
          name={`Solo ${name}`}
          what="solo"
          on={isSolo}
          letter="S"
          onPress={(isOn) => setAcross(studio, 'solo', members, { isOn })}
        />
        <Toggle
          name={`Mute ${name}`}
          what="muted"
          on={isMuted}
          letter="M"
          onPress={(isOn) => setAcross(studio, 'muted', members, { isOn })}
        />
      </div>
      {isGroup(entry) ? <GroupKey group={entry} /> : <CostBar id={entry.id} name={name} />}
      <ShadowsKey members={members} name={name} />
      <Letters members={members} name={name} />
    </ChannelFrame>
  );
}

function Toggle({
  name,
  what,
  on,
  letter,
  onPress,
}: {
  name: string;
  what: Across;
  on: boolean;
  letter: string;
  onPress(isOn: boolean): void;
}) {
  return (
    <button
      type="button"
      aria-label={name}
      aria-pressed={on}
      {...across(what)}
      className={`figure flex-1 cursor-pointer border ${on ? 'border-brass bg-brass text-soot' : 'border-rail text-ash'}`}
      onClick={byKeyAlone(() => onPress(!on))}
    >
      {letter}
    </button>
  );
}

function GroupKey({ group }: { group: ChannelGroup }) {
  const studio = useStudio();
  return (
    <button
      type="button"
      aria-expanded={group.isOpen}
      aria-label={`${group.isOpen ? 'Fold' : 'Unfold'} ${group.name}`}
      className="h-[13px] shrink-0 cursor-pointer text-left text-small leading-[13px] text-brass"
      onClick={() =>
        studio.desk.setState(({ openGroups }) => ({ openGroups: toggled(openGroups, group.groupId) }))
      }
    >
      {group.isOpen ? '‹ fold' : `${group.members.length} ›`}
    </button>
  );
}

function coloursOf(scene: SceneDocument, members: readonly FixtureName[]): string[] {
  const all = members.flatMap(({ collection, id }) => {
    if (collection === 'lights') return scene.lights[id] ? [scene.lights[id].colour] : [];
    return scene.lamps[id] ? lightPartsOf(scene, scene.lamps[id]).map(({ colour }) => colour) : [];
  });
  return [...new Set(all)].slice(0, 8);
}
