'use client';
import { drawOrder } from '@/core/moment/draw-order';
import { occludersOf } from '@/core/moment/occluders';
import { FALL_CURVES, inOrder, type FallCurve } from '@/core/scene/document';
import { newWick } from '@/core/scene/defaults';
import { change, create } from '@/core/scene/edits';
import { hashText } from '@/core/time/noise';
import { FieldOf } from '../controls/FieldOf';
import { Choice, ColourField, Column, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { makeLuminaire } from '../store/lamp-edits';
import { freshId } from '../store/studio';
import { CircuitLetters } from './CircuitLetters';
import { HangRow } from './HangRow';
import { ManyColumn } from './ManyColumn';
import { PickedName } from './PlaceFields';
import { useField, usePlaneOptions } from './use-fields';
import { WickColumn } from './WickColumn';

const CURVE_WORDS: Record<FallCurve, string> = {
  straight: 'Straight',
  eased: 'Eased',
  natural: 'Natural',
  even: 'Even',
  drawn: 'Drawn',
};

export function LightBay({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const colour = useField('lights', ids, 'colour', 'Colour');
  const curve = useField('lights', ids, 'curve', 'Curve');
  const shadows = useField('lights', ids, 'shadows', 'Shadows');
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
      <div className="flex gap-[14px] pb-1">
        <Column title="Light">
          <FieldOf
            collection="lights"
            ids={ids}
            field="level"
            label="Level"
            low={0}
            high={16}
            step={0.01}
            logarithmic
            initial={1.5}
          />
          <ColourField label="Colour" value={colour.value} onPreview={colour.preview} onCommit={colour.set} />
          <FieldOf
            collection="lights"
            ids={ids}
            field="corePx"
            label="Core"
            low={0}
            high={200}
            step={0.5}
            digits={1}
            unit="px"
            logarithmic
            initial={6}
          />
          <FieldOf
            collection="lights"
            ids={ids}
            field="reachPx"
            label="Reach"
            low={1}
            high={1000}
            digits={1}
            unit="px"
            logarithmic
            initial={120}
          />
          <FieldOf
            collection="lights"
            ids={ids}
            field="heightPx"
            label="Height"
            low={0}
            high={400}
            digits={1}
            unit="px"
            logarithmic
            initial={32}
          />
        </Column>
        <Column title="Falloff">
          <Choice<FallCurve>
            label="Curve"
            value={curve.value}
            differs={curve.differs}
            options={FALL_CURVES.map((c) => [c, CURVE_WORDS[c]])}
            onChange={curve.set}
          />
          <FieldOf
            collection="lights"
            ids={ids}
            field="steepness"
            label="Steepness"
            low={0.1}
            high={10}
            step={0.01}
            logarithmic
            initial={1}
          />
          <FieldOf
            collection="lights"
            ids={ids}
            field="air"
            label="Air"
            low={0}
            high={1}
            step={0.01}
            initial={0}
          />
          <FieldOf
            collection="lights"
            ids={ids}
            field="relief"
            label="Relief"
            low={0}
            high={1}
            step={0.01}
            initial={1}
          />
        </Column>
        <Column title="Shadow" aside={!shadows.value && <span className="text-signal">throws none</span>}>
          <Switch label="Shadows" on={shadows.value} warns differs={shadows.differs} onChange={shadows.set} />
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
          <Row label="Meets">
            <StoppedBy ids={ids} />
          </Row>
          <CircuitLetters
            label="Feeds"
            ids={circuits.value}
            differs={circuits.differs}
            onChange={circuits.set}
          />
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
      </div>
    </div>
  );
}

/** How many occluders stand on the planes that the light reaches. */
function StoppedBy({ ids }: { ids: string[] }) {
  const count = useScene(({ scene }) => {
    const light = scene.lights[ids[0]];
    if (!light?.shadows) return 0;
    const order = inOrder(scene.planes).map(([id]) => id);
    const low = light.spanFarId === null ? 0 : order.indexOf(light.spanFarId);
    const high = light.spanNearId === null ? order.length - 1 : order.indexOf(light.spanNearId);
    const { occluders } = occludersOf(scene, new Map(order.map((id, i) => [id, i])), drawOrder(scene), 0);
    return occluders.filter(({ plane }) => plane >= Math.min(low, high) && plane <= Math.max(low, high))
      .length;
  });
  return (
    <span className={count === 0 ? 'text-ash' : ''}>{count === 1 ? '1 occluder' : `${count} occluders`}</span>
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
      <span className="text-ash">point light on</span>
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
