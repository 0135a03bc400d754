'use client';
import type { ReactNode } from 'react';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import { inOrder } from '@/core/scene/document';
import { change } from '@/core/scene/edits';
import { useDesk, useScene, useStudio } from '../context';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { useGesture } from '../controls/FieldOf';
import type { FixtureCollection } from '../tools/hits';
import { toggled } from '../store/desk-store';
import { AmbientChannel } from './AmbientChannel';
import { CostBar } from './CostBar';
import { Fader } from './Fader';
import { WickTrace } from './WickTrace';

/** A channel for the ambient, for each light and for each lamp. */
export function Channels() {
  const lights = useScene((state) => inOrder(state.scene.lights).map(([id]) => id));
  const lamps = useScene((state) => inOrder(state.scene.lamps).map(([id]) => id));
  return (
    <div role="group" aria-label="Channels" className="flex min-w-0 flex-1 overflow-x-auto overflow-y-hidden">
      <AmbientChannel />
      {lights.map((id) => (
        <LightChannel key={id} id={id} />
      ))}
      {lamps.map((id) => (
        <LampChannel key={id} id={id} />
      ))}
      {lights.length + lamps.length === 0 && (
        <p className="p-3 text-ash">No lights yet. Press P, then press on the stage where a lamp stands.</p>
      )}
    </div>
  );
}

function LightChannel({ id }: { id: string }) {
  const studio = useStudio();
  const light = useScene((state) => state.scene.lights[id]);
  if (!light) return null;
  return (
    <Channel collection="lights" id={id} name={light.name} level={light.level} colours={[light.colour]}>
      {LIGHT_SCREENS[light.kind].isAmbient ? (
        <span className="text-small text-ash">ambient</span>
      ) : (
        <button
          type="button"
          role="switch"
          aria-checked={light.shadows}
          aria-label={`Shadows of ${light.name}`}
          title={light.shadows ? 'Throws shadows' : 'Throws no shadows'}
          className={`w-full cursor-pointer text-left text-small leading-[14px] whitespace-nowrap ${light.shadows || light.rim ? 'text-ash' : 'text-signal'}`}
          onClick={() => studio.set('Shadows', 'lights', id, { shadows: !light.shadows })}
        >
          {light.shadows ? 'shadows' : 'no shadows'}
        </button>
      )}
    </Channel>
  );
}

function LampChannel({ id }: { id: string }) {
  const lamp = useScene((state) => state.scene.lamps[id]);
  const parts = useScene(({ scene }) =>
    scene.lamps[id] ? lightPartsOf(scene, scene.lamps[id]).map(({ colour }) => colour) : [],
  );
  if (!lamp) return null;
  return (
    <Channel collection="lamps" id={id} name={lamp.name} level={lamp.level} colours={parts}>
      <span className="text-small text-ash">{parts.length === 1 ? '1 light' : `${parts.length} lights`}</span>
    </Channel>
  );
}

/** A channel of a light or a lamp: its name, fader, trace, solo and mute. */
function Channel({
  collection,
  id,
  name,
  level,
  colours,
  children,
}: {
  collection: FixtureCollection;
  id: string;
  name: string;
  level: number;
  colours: readonly string[];
  children: ReactNode;
}) {
  const studio = useStudio();
  const isPicked = useScene((state) => state.selection.some((picked) => picked.id === id));
  const isSolo = useDesk((state) => state.solo.has(id));
  const isMuted = useDesk((state) => state.muted.has(id));
  const isOut = useDesk((state) => state.muted.has(id) || (state.solo.size > 0 && !state.solo.has(id)));
  const gesture = useGesture(studio, 'Level');
  const edit = (value: number) => {
    const made = change(studio.scenes.kept, collection, id, { level: value });
    return made ? [made] : [];
  };
  return (
    <section
      aria-label={name}
      className={`flex w-[66px] shrink-0 flex-col border-r border-line px-[6px] pt-1 pb-1 ${isPicked ? 'border-t-2 border-t-verdigris bg-iron pt-[2px]' : ''}`}
    >
      <button
        type="button"
        aria-label={`Pick ${name}`}
        className={`h-[34px] shrink-0 cursor-pointer overflow-hidden text-left leading-[17px] ${isOut ? 'text-dust' : ''}`}
        onClick={(event) => {
          const others = event.shiftKey ? studio.scenes.state.selection : [];
          studio.pick(...others, { collection, id });
        }}
      >
        {name}
      </button>
      <div className="flex h-[4px] shrink-0" style={{ opacity: isOut ? 0.3 : 1 }}>
        {colours.map((colour, i) => (
          <span key={i} className="flex-1" style={{ background: colour }} />
        ))}
      </div>
      <div className="flex min-h-0 flex-1 gap-1 py-1">
        <Fader
          label={`Level of ${name}`}
          value={level}
          onPreview={(value) => gesture.preview(edit(value))}
          onCommit={(value) => gesture.commit(edit(value))}
          onCancel={gesture.cancel}
        />
        {collection === 'lights' && (
          <WickTrace lightId={id} seconds={4} upright className="h-full min-w-0 flex-1" />
        )}
      </div>
      <div className="flex gap-[3px]">
        <Toggle
          name={`Solo ${name}`}
          on={isSolo}
          words="S"
          onPress={() => studio.desk.setState(({ solo }) => ({ solo: toggled(solo, id) }))}
        />
        <Toggle
          name={`Mute ${name}`}
          on={isMuted}
          words="M"
          onPress={() => studio.desk.setState(({ muted }) => ({ muted: toggled(muted, id) }))}
        />
      </div>
      <span className="figure text-right">{level.toFixed(2)}</span>
      <CostBar id={id} name={name} />
      <div className="leading-[14px]">{children}</div>
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
