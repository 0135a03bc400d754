'use client';
import { inOrder } from '@/core/scene/document';
import { change } from '@/core/scene/edits';
import { useDesk, useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import { toggled } from '../store/desk-store';
import { AmbientChannel } from './AmbientChannel';
import { Fader } from './Fader';
import { WickTrace } from './WickTrace';

/** A channel for the ambient and for each light. */
export function Channels() {
  const ids = useScene((state) => inOrder(state.scene.lights).map(([id]) => id));
  return (
    <div role="group" aria-label="Channels" className="flex min-w-0 flex-1 overflow-x-auto overflow-y-hidden">
      <AmbientChannel />
      {ids.map((id) => (
        <LightChannel key={id} id={id} />
      ))}
      {ids.length === 0 && (
        <p className="p-3 text-ash">No lights yet. Press P, then press on the stage where a lamp stands.</p>
      )}
    </div>
  );
}

function LightChannel({ id }: { id: string }) {
  const studio = useStudio();
  const light = useScene((state) => state.scene.lights[id]);
  const isPicked = useScene((state) => state.selection.some((picked) => picked.id === id));
  const isSolo = useDesk((state) => state.solo.has(id));
  const isMuted = useDesk((state) => state.muted.has(id));
  const isOut = useDesk((state) => state.muted.has(id) || (state.solo.size > 0 && !state.solo.has(id)));
  const level = useGesture(studio, 'Level');
  if (!light) return null;
  const edit = (value: number) => {
    const made = change(studio.scenes.kept, 'lights', id, { level: value });
    return made ? [made] : [];
  };
  return (
    <section
      aria-label={light.name}
      className={`flex w-[66px] shrink-0 flex-col border-r border-line px-[6px] pt-1 pb-1 ${isPicked ? 'border-t-2 border-t-verdigris bg-iron pt-[2px]' : ''}`}
    >
      <button
        type="button"
        aria-label={`Pick ${light.name}`}
        className={`h-[34px] shrink-0 cursor-pointer overflow-hidden text-left leading-[17px] ${isOut ? 'text-dust' : ''}`}
        onClick={(event) => {
          const others = event.shiftKey ? studio.scenes.state.selection : [];
          studio.pick(...others, { collection: 'lights', id });
        }}
      >
        {light.name}
      </button>
      <div className="h-[4px] shrink-0" style={{ background: light.colour, opacity: isOut ? 0.3 : 1 }} />
      <div className="flex min-h-0 flex-1 gap-1 py-1">
        <Fader
          label={`Level of ${light.name}`}
          value={light.level}
          onPreview={(value) => level.preview(edit(value))}
          onCommit={(value) => level.commit(edit(value))}
          onCancel={level.cancel}
        />
        <WickTrace lightId={id} seconds={4} upright className="h-full min-w-0 flex-1" />
      </div>
      <div className="flex gap-[3px]">
        <Toggle
          name={`Solo ${light.name}`}
          on={isSolo}
          words="S"
          onPress={() => studio.desk.setState(({ solo }) => ({ solo: toggled(solo, id) }))}
        />
        <Toggle
          name={`Mute ${light.name}`}
          on={isMuted}
          words="M"
          onPress={() => studio.desk.setState(({ muted }) => ({ muted: toggled(muted, id) }))}
        />
      </div>
      <span className="figure text-right">{light.level.toFixed(2)}</span>
      <div className="leading-[14px]">
        <button
          type="button"
          role="switch"
          aria-checked={light.shadows}
          aria-label={`Shadows of ${light.name}`}
          title={light.shadows ? 'Throws shadows' : 'Throws no shadows'}
          className={`w-full cursor-pointer text-left text-small leading-[14px] whitespace-nowrap ${light.shadows ? 'text-ash' : 'text-signal'}`}
          onClick={() => studio.set('Shadows', 'lights', id, { shadows: !light.shadows })}
        >
          {light.shadows ? 'shadows' : 'no shadows'}
        </button>
      </div>
    </section>
  );
}

function Toggle({ name, on, words, onPress }: { name: string; on: boolean; words: string; onPress(): void }) {
  return (
    <button
      type="button"
      aria-label={name}
      aria-pressed={on}
      className={`figure flex-1 cursor-pointer border ${on ? 'border-brass bg-brass text-soot' : 'border-rail text-ash'}`}
      onClick={onPress}
    >
      {words}
    </button>
  );
}
