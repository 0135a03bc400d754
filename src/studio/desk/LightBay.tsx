'use client';
import { change } from '@/core/scene/edits';
import { BayColumns } from '../controls/BayColumns';
import { CommandKey } from '../controls/CommandKey';
import { Column } from '../controls/Column';
import { Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { addWick } from '../store/wick-edits';
import { HangRow } from './HangRow';
import { useLightLooks } from './look-adapter';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { LookColumns } from './LookColumns';
import { ManyColumn } from './ManyColumn';
import { PickedName, PlaceFields } from './PlaceFields';
import { PlanesLitColumn } from './PlanesLitColumn';
import { StateRow } from './StateRow';
import { useField, usePlaneOptions } from './use-fields';
import { useWick } from './use-wick';
import { WickChoice, type ChosenWick } from './WickChoice';
import { WickKindFields } from './WickFields';
import { WickTrace } from './WickTrace';
import { WickOutputColumn } from './WickOutputColumn';

export function LightBay({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const look = useLightLooks(ids);
  const wick = useField('lights', ids, 'wickId', 'Wick');
  const wickFields = useWick(wick.value ?? null, ids[0]);
  const chooseWick = (chosen: ChosenWick) => {
    if (chosen.kind === 'ready') addWick(studio, ids, chosen.place);
    else wick.set(chosen.kind === 'none' ? null : chosen.id);
  };

  return (
    <BayColumns title={<Title ids={ids} />}>
      <LookColumns of={look} />
      <PlanesLitColumn
        collection="lights"
        ids={ids}
        throwsShadows={look.look.shadows && !LIGHT_SCREENS[look.look.kind].isAmbient}
      />
      <Column title="Wick">
        <WickChoice label="Wick" value={wick.value ?? null} differs={wick.differs} onChoose={chooseWick} />
        {wickFields && (
          <>
            <WickTrace
              of={{ collection: 'lights', id: ids[0] }}
              seconds={4}
              className="my-[2px] h-[24px] w-full shrink-0"
            />
            <WickKindFields {...wickFields} />
          </>
        )}
      </Column>
      {wickFields && <WickOutputColumn {...wickFields} />}
      <Column title="Mount">
        <PlaceFields collection="lights" ids={ids} />
        {ids.length === 1 && <HangRow collection="lights" id={ids[0]} />}
        <StateRow collection="lights" ids={ids} />
        <Row label="Shelf">
          <CommandKey id="make-luminaire" about="Placed copies follow it">
            Make a luminaire
          </CommandKey>
        </Row>
      </Column>
      {ids.length > 1 && <ManyColumn />}
    </BayColumns>
  );
}

function Title({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const light = useScene((state) => state.scene.lights[ids[0]]);
  const planes = usePlaneOptions();
  if (!light) return null;
  return (
    <>
      <span className="inline-block size-[10px] rotate-45" style={{ background: light.colour }} />
      <PickedName collection="lights" ids={ids} one="light" many="lights" />
      <span className="text-ash">{LIGHT_SCREENS[light.kind].word.toLowerCase()} light on</span>
      <select
        aria-label="Plane of the light"
        className="field cursor-pointer bg-slate text-brass"
        value={light.planeId}
        onChange={(event) => {
          const planeId = event.currentTarget.value;
          studio.scenes.transact({
            label: 'Hang on a plane',
            edits: ids.flatMap((id) => change(studio.scene, 'lights', id, { planeId }) ?? []),
          });
        }}
      >
        {planes.map(([id, name]) => (
          <option key={id} value={id} className="bg-slate text-chalk">
            {name}
          </option>
        ))}
      </select>
    </>
  );
}
