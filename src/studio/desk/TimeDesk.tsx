'use client';
import { inOrder } from '@/core/scene/document';
import { clockText, cuesInOrder } from '@/core/time/cues';
import { Column } from '../controls/Column';
import { Key } from '../controls/small';
import { useScene, useStudio } from '../context';
import { goToHour } from '../dayline/Dayline';
import { recordCue } from '../dayline/record-cue';
import { CueBay } from './CueBay';
import { WickColumn } from './WickColumn';
import { WickTrace } from './WickTrace';
import { useState } from 'react';
import { NameField } from '../controls/NameField';
import { addWick, deleteWick, duplicateWick } from '../store/wick-edits';

/** The desk of the Time bench: cues at the left, wicks and the lights that burn by them at the right. */
export function TimeDesk() {
  const studio = useStudio();
  const cues = useScene((state) =>
    cuesInOrder(state.scene.cues).map(([id, { clockHours }]) => ({ id, clockHours })),
  );
  const cue = useScene((state) => state.selection.find((p) => p.collection === 'cues')?.id ?? null);
  const wicks = useScene((state) =>
    Object.entries(state.scene.wicks).map(([id, { name }]) => ({ id, name })),
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const wickId = chosen && wicks.some(({ id }) => id === chosen) ? chosen : (wicks[0]?.id ?? null);
  const lights = useScene((state) =>
    inOrder(state.scene.lights).flatMap(([id, light]) =>
      light.wickId !== null && light.wickId === wickId ? [{ id, name: light.name }] : [],
    ),
  );
  return (
    <div className="flex min-h-0 gap-5 overflow-x-auto border-t border-line bg-slate p-2">
      <Column title="Cues" aside={`${cues.length} in the day`}>
        <div className="flex min-h-0 flex-wrap content-start gap-1 overflow-y-auto">
          {cues.map(({ id, clockHours }) => (
            <button
              key={id}
              type="button"
              className="key figure"
              data-picked={cue === id}
              onClick={() => {
                studio.pick({ collection: 'cues', id });
                goToHour(studio, clockHours);
              }}
            >
              {clockText(clockHours)}
            </button>
          ))}
          <Key onClick={() => recordCue(studio)}>Record one now</Key>
        </div>
      </Column>
      <div className="min-w-[400px]">
        {cue ? (
          <CueBay id={cue} />
        ) : (
          <p className="text-ash">
            Pick a cue to see what it holds. Move the playhead, set the ambient light on the Stage, then
            record.
          </p>
        )}
      </div>
      <Column title="Wicks" aside={`${wicks.length}`}>
        <div className="flex flex-col gap-1 overflow-y-auto">
          {wicks.map(({ id, name }) => (
            <button
              key={id}
              type="button"
              className="key text-left"
              data-picked={wickId === id}
              onClick={() => setChosen(id)}
            >
              {name}
            </button>
          ))}
          <div className="row flex gap-1">
            <Key onClick={() => setChosen(addWick(studio, studio.pickedOf('lights')))}>New</Key>
            {wickId && <Key onClick={() => setChosen(duplicateWick(studio, wickId))}>Duplicate</Key>}
            {wickId && (
              <Key
                title="Lights on it burn steadily then"
                onClick={() => {
                  setChosen(null);
                  deleteWick(studio, wickId);
                }}
              >
                Delete
              </Key>
            )}
          </div>
          {wicks.length === 0 && (
            <p className="text-ash">
              A wick makes a light flicker. Pick lights on the Stage first to put them on it.
            </p>
          )}
        </div>
      </Column>
      {wickId && (
        <Column title="Wick" wide aside={<WickName wickId={wickId} />}>
          <WickColumn wickId={wickId} lightId={lights[0]?.id ?? ''} />
        </Column>
      )}
      <section aria-label="Lights on this wick" className="min-w-[200px] flex-1">
        <h3 className="heading">Lights on this wick</h3>
        {lights.map(({ id, name }) => (
          <div key={id} className="flex items-center gap-2">
            <button
              type="button"
              className="w-[110px] shrink-0 cursor-pointer truncate text-left"
              onClick={() => studio.pick({ collection: 'lights', id })}
            >
              {name}
            </button>
            <WickTrace lightId={id} seconds={8} className="h-[30px] min-w-0 flex-1" />
          </div>
        ))}
      </section>
    </div>
  );
}

function WickName({ wickId }: { wickId: string }) {
  const studio = useStudio();
  const name = useScene(({ scene }) => scene.wicks[wickId]?.name ?? '');
  return (
    <NameField
      name={name}
      label="Name of the wick"
      className="w-[150px] text-right"
      onChange={(next) => studio.set('Rename', 'wicks', wickId, { name: next })}
    />
  );
}
