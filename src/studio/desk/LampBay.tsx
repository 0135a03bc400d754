'use client';
import { useState } from 'react';
import { flamePartsOf, lightPartsOf } from '@/core/moment/lamps';
import type { FlamePart, LightPart } from '@/core/scene/records/luminaire';
import { BayColumns } from '../controls/BayColumns';
import { FieldOf } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { Choice, Column, Key, Row, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useScene, useStudio } from '../context';
import { pushBack, resetOverrides, takeApart } from '../store/lamp-edits';
import { CircuitLetters } from './CircuitLetters';
import { HangRow } from './HangRow';
import { useOverride, usePartLook } from './look-adapter';
import { LookColumns } from './LookColumns';
import { PickedName, PlaceFields } from './PlaceFields';
import { useField, usePlaneOptions } from './use-fields';

/** Lamps: where they are, and the parts of their luminaire with what these lamps have otherwise. */
export function LampBay({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const lamp = useScene(({ scene }) => scene.lamps[ids[0]]);
  const luminaire = useScene(({ scene }) => scene.luminaires[lamp?.luminaireId ?? '']);
  const parts = useScene(({ scene }) =>
    lamp ? { lights: lightPartsOf(scene, lamp), flames: flamePartsOf(scene, lamp) } : null,
  );
  const planes = usePlaneOptions();
  const [chosen, setChosen] = useState<string | null>(null);
  const planeId = useField('lamps', ids, 'planeId', 'Put on a plane');
  const circuits = useField('lamps', ids, 'circuitIds', 'Circuits');
  const blocked = useField('lamps', ids, 'blockedByCarrier', 'Carrier');
  if (!lamp || !parts) return null;
  const all = [...parts.lights, ...parts.flames];
  const part = all.find(({ id }) => id === chosen) ?? all[0];
  const overrides = Object.values(lamp.overrides).reduce((sum, own) => sum + Object.keys(own).length, 0);
  return (
    <div>
      <div className="mb-1 flex items-center gap-2">
        <PickedName collection="lamps" ids={ids} one="lamp" many="lamps" />
        <span className="text-ash">lamp, follows</span>
        {luminaire ? (
          <NameField
            name={luminaire.name}
            label="Name of the luminaire"
            className="w-[160px] text-brass"
            onChange={(name) => studio.set('Rename', 'luminaires', lamp.luminaireId, { name })}
          />
        ) : (
          <span className="text-signal">a luminaire that is missing</span>
        )}
      </div>
      <BayColumns>
        <Column title="Lamp">
          <FieldOf
            collection="lamps"
            ids={ids}
            field="level"
            label="Level"
            low={0}
            high={4}
            step={0.01}
            unit="x"
            logarithmic
            initial={1}
          />
          <PlaceFields collection="lamps" ids={ids} />
          <Choice
            label="Plane"
            value={planeId.value}
            differs={planeId.differs}
            options={planes}
            onChange={planeId.set}
          />
          {ids.length === 1 && <HangRow collection="lamps" id={ids[0]} />}
        </Column>
        <Column title="Part" aside={overrides > 0 ? `${overrides} of its own` : 'all as the luminaire'}>
          <Choice
            label="Part"
            value={part?.id ?? ''}
            options={all.map(({ id, name }) => [id, lamp.overrides[id] ? `${name} *` : name])}
            onChange={setChosen}
          />
          {part && !('reachPx' in part) && <FlameFields ids={ids} part={part} />}
        </Column>
        {part && 'reachPx' in part && <LightPartColumns key={part.id} ids={ids} part={part} />}
        <Column title="Luminaire">
          <Row label="">
            <Key disabled={overrides === 0} onClick={() => resetOverrides(studio, ids)}>
              Follow in everything
            </Key>
          </Row>
          <Row label="">
            <Key
              disabled={overrides === 0 || ids.length > 1}
              title="All lamps of this luminaire become so"
              onClick={() => pushBack(studio, ids[0])}
            >
              Push back to all
            </Key>
          </Row>
          <Row label="">
            <Key disabled={ids.length > 1} onClick={() => takeApart(studio, ids[0])}>
              Take apart
            </Key>
          </Row>
          <CircuitLetters
            label="Feeds"
            ids={circuits.value}
            differs={circuits.differs}
            onChange={circuits.set}
          />
          {lamp.hangsOn && (
            <Switch
              label="Carrier"
              on={blocked.value}
              words={['stops its light', 'lets it by']}
              onChange={blocked.set}
            />
          )}
        </Column>
      </BayColumns>
    </div>
  );
}

/** A number of a flame with its range: field, label, lowest, highest, step, and whether it spans decades. */
type PartNumber = readonly [
  field: 'glowLevel' | 'opacity' | 'scaleX' | 'scaleY',
  label: string,
  low: number,
  high: number,
  step: number,
  wide: boolean,
];

const FLAME_NUMBERS: readonly PartNumber[] = [
  ['glowLevel', 'Glow', 0, 8, 0.01, true],
  ['opacity', 'Opacity', 0, 1, 0.01, false],
  ['scaleX', 'Width', 0.05, 8, 0.05, true],
  ['scaleY', 'Height', 0.05, 8, 0.05, true],
];

function LightPartColumns({ ids, part }: { ids: string[]; part: LightPart }) {
  return <LookColumns of={usePartLook(ids, part)} />;
}

function FlameFields({ ids, part }: { ids: string[]; part: FlamePart }) {
  const override = useOverride(ids, part);
  return FLAME_NUMBERS.map(([field, label, low, high, step, wide]) => (
    <ValueField
      key={field}
      label={override.mark(field, label)}
      value={part[field]}
      low={low}
      high={high}
      step={step}
      logarithmic={wide}
      initial={override.base?.[field]}
      onPreview={(value) => override.preview({ [field]: value })}
      onCommit={(value) => override.commit({ [field]: value })}
      onCancel={override.cancel}
    />
  ));
}
