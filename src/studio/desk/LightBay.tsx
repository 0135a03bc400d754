'use client';
import { newWick } from '@/core/scene/records/wick';
import { change, create } from '@/core/scene/edits';
import { hashText } from '@/core/time/noise';
import { BayColumns } from '../controls/BayColumns';
import { Choice, Column, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { makeLuminaire } from '../store/lamp-edits';
import { freshId } from '../store/studio';
import { CircuitLetters } from './CircuitLetters';
import { HangRow } from './HangRow';
import { useLightLooks } from './look-adapter';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { LookColumns } from './LookColumns';
import { ManyColumn } from './ManyColumn';
import { PickedName } from './PlaceFields';
import { StoppedByRows } from './StoppedByRows';
import { useField, usePlaneOptions } from './use-fields';
import { WickColumn } from './WickColumn';

export function LightBay({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const look = useLightLooks(ids);
  const far = useField('lights', ids, 'spanFarId', 'Span');
  const near = useField('lights', ids, 'spanNearId', 'Span');
  const wick = useField('lights', ids, 'wickId', 'Wick');
  const circuits = useField('lights', ids, 'circuitIds', 'Circuits');
  const blocked = useField('lights', ids, 'blockedByCarrier', 'Carrier');
  const hangs = useScene(({ scene }) => ids.some((id) => scene.lights[id]?.hangsOn));
  const planes = usePlaneOptions();
  const wicks = useScene((state) =>
    Object.entries(state.scene.wicks).map(([id, { name }]) => [id, name] as const),
  );

  const setWick = (value: string) => {
    if (value === 'new') {
      const wickId = freshId();
      const name = `Wick ${wicks.length + 1}`;
      const edits = [create('wicks', wickId, newWick({ name, seed: hashText(wickId) }))];
      studio.scenes.transact({
        label: 'New wick',
        edits: [...edits, ...ids.flatMap((id) => change(studio.scene, 'lights', id, { wickId }) ?? [])],
      });
    } else wick.set(value === '' ? null : value);
  };

  return (
    <div>
      <Title ids={ids} />
      <BayColumns>
        <LookColumns of={look} />
        <Column title="Reaches">
          <Choice
            label="From"
            value={far.value ?? ''}
            differs={far.differs}
            options={[['', 'Farthest plane'], ...planes]}
            onChange={(v) => far.set(v === '' ? null : v)}
          />
          <Choice
            label="To"
            value={near.value ?? ''}
            differs={near.differs}
            options={[['', 'Nearest plane'], ...planes]}
            onChange={(v) => near.set(v === '' ? null : v)}
          />
          <CircuitLetters
            label="Feeds"
            ids={circuits.value}
            differs={circuits.differs}
            onChange={circuits.set}
          />
          {look.look.shadows && !LIGHT_SCREENS[look.look.kind].isAmbient && <StoppedByRows ids={ids} />}
          {hangs && (
            <Switch
              label="Carrier"
              on={blocked.value}
              words={['stops its light', 'lets it by']}
              differs={blocked.differs}
              onChange={blocked.set}
            />
          )}
        </Column>
        <Column title="Wick">
          <Choice
            label="Wick"
            value={wick.value ?? ''}
            differs={wick.differs}
            options={[['', 'None, steady'], ...wicks, ['new', 'New breeze …']]}
            onChange={setWick}
          />
          {wick.value && <WickColumn wickId={wick.value} lightId={ids[0]} />}
        </Column>
        <Column title="Stands">
          {ids.length === 1 && <HangRow collection="lights" id={ids[0]} />}
          <Row label="Shelf">
            <Key title="Placed copies follow it (Ctrl+L)" onClick={() => makeLuminaire(studio)}>
              Make a luminaire
            </Key>
          </Row>
        </Column>
        {ids.length > 1 && <ManyColumn />}
      </BayColumns>
    </div>
  );
}

function Title({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const light = useScene((state) => state.scene.lights[ids[0]]);
  const planes = usePlaneOptions();
  if (!light) return null;
  return (
    <div className="mb-1 flex items-center gap-2">
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
    </div>
  );
}
