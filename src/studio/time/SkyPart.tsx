'use client';
import { inOrder, settingsOf } from '@/core/scene/document';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { SWITCHINGS, type Switching } from '@/core/scene/records/circuit';
import type { SunWay } from '@/core/time/sky-fields';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { FieldOf } from '../controls/FieldOf';
import { Choice, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { letterOf } from '../controls/CircuitMark';
import { useField } from '../desk/use-fields';
import { addSkyLight } from '../store/sky-lights';
import { SettingsField } from './SettingsField';
import { SunGraph } from './SunGraph';

const IDS = [SETTINGS_ID];
const SUN_WORDS: readonly (readonly [SunWay, string])[] = [
  ['arc', 'An arc'],
  ['place', 'A place on a date'],
];
const SWITCHING_WORDS: Record<Switching, string> = {
  always: 'Always lit',
  hours: 'Between two hours',
  sun: 'While the sun is low',
};

/** The sky: how the sun and the moon go, what follows them, and which circuits are lit when. */
export function SkyPart() {
  return (
    <BayColumns>
      <Column title="Altitude" wide="chart">
        <SunGraph />
      </Column>
      <SunColumn />
      <FollowColumn />
      <SwitchingColumn />
    </BayColumns>
  );
}

function SunColumn() {
  const by = useField('settings', IDS, 'sunBy', 'Sun');
  return (
    <Column title="Sun and moon">
      <Choice<SunWay> label="Sun by" value={by.value} options={SUN_WORDS} onChange={by.set} />
      {by.value === 'arc' ? <ArcFields /> : <PlaceFields />}
    </Column>
  );
}

function ArcFields() {
  const bySouth = useField('settings', IDS, 'sunBySouth', 'Sun');
  return (
    <>
      <SettingsField field="sunRiseHours" label="Rises" high={24} step={0.25} unit="h" />
      <SettingsField field="sunSetHours" label="Sets" high={24} step={0.25} unit="h" />
      <SettingsField field="sunNoonDeg" label="At noon" high={90} unit="°" digits={0} />
      <Switch label="Goes by" on={bySouth.value} words={['the south', 'the north']} onChange={bySouth.set} />
      <SettingsField field="moonAfterHours" label="Moon later" high={24} step={0.5} unit="h" digits={1} />
      <SettingsField field="moonNoonDeg" label="Moon at top" high={90} unit="°" digits={0} />
      <Heading />
    </>
  );
}

function PlaceFields() {
  return (
    <>
      <SettingsField field="latitudeDeg" label="Latitude" low={-90} high={90} unit="°" />
      <SettingsField field="longitudeDeg" label="Longitude" low={-180} high={180} unit="°" />
      <SettingsField field="utcOffsetHours" label="UTC offset" low={-14} high={14} step={0.25} unit="h" />
      <SettingsField field="sunYear" label="Year" low={1900} high={2100} whole />
      <SettingsField field="sunMonth" label="Month" low={1} high={12} whole />
      <SettingsField field="sunDay" label="Day" low={1} high={31} whole />
      <Heading />
    </>
  );
}

function Heading() {
  return (
    <>
      <SettingsField field="headingDeg" label="Looks to" low={-180} high={180} unit="°" digits={0} />
      <SettingsField field="viewTiltDeg" label="View tilt" high={90} unit="°" digits={0} />
    </>
  );
}

/** What follows the sun and the moon, and keys that add what does. */
function FollowColumn() {
  const studio = useStudio();
  const lights = useScene(({ scene }) =>
    inOrder(scene.lights).flatMap(([id, { name, follows }]) =>
      follows === 'nothing' ? [] : [{ id, name, follows }],
    ),
  );
  const { headingDeg, viewTiltDeg } = useScene(({ scene }) => settingsOf(scene));
  const isSide = viewTiltDeg === 0;
  return (
    <Column title="What follows">
      {lights.map(({ id, name, follows }) => (
        <Row key={id} label={follows === 'sun' ? 'Sun' : 'Moon'}>
          <button
            type="button"
            className="cursor-pointer truncate text-brass"
            onClick={() => studio.pick({ collection: 'lights', id })}
          >
            {name}
          </button>
        </Row>
      ))}
      <Row label="">
        <Key onClick={() => addSkyLight(studio, 'sun')}>Add a sun</Key>
        <Key onClick={() => addSkyLight(studio, 'moon')}>Add a moon</Key>
      </Row>
      <p className="text-small text-ash">
        {isSide ? 'Behind the picture is' : 'The top of the picture is'} {compassWords(headingDeg)}.
        {lights.length === 0 && ' Nothing in this scene follows the sky yet.'}
      </p>
    </Column>
  );
}

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];

function compassWords(degrees: number): string {
  return COMPASS[((Math.round(degrees / 45) % 8) + 8) % 8];
}

function SwitchingColumn() {
  const circuits = useScene(({ scene }) =>
    inOrder(scene.circuits).map(([id, { name, switching }]) => ({ id, name, switching })),
  );
  return (
    <Column title="Circuits are lit" wide>
      {circuits.map(({ id, name, switching }, i) => (
        <CircuitRows key={id} id={id} label={`${letterOf(i)} ${name}`} switching={switching} />
      ))}
    </Column>
  );
}

function CircuitRows({ id, label, switching }: { id: string; label: string; switching: Switching }) {
  const field = useField('circuits', [id], 'switching', `When ${label} is lit`);
  const number = (
    name: 'onHours' | 'offHours' | 'onBelowDeg' | 'spreadMinutes' | 'fadeSeconds',
    rest: object,
  ) => (
    <FieldOf
      collection="circuits"
      ids={[id]}
      field={name}
      {...(NUMBERS[name] as typeof NUMBERS.onHours)}
      {...rest}
    />
  );
  return (
    <div className="mb-1">
      <Choice<Switching>
        label={label}
        value={switching}
        options={SWITCHINGS.map((one) => [one, SWITCHING_WORDS[one]])}
        onChange={field.set}
      />
      {switching === 'hours' && (
        <>
          {number('onHours', {})}
          {number('offHours', {})}
        </>
      )}
      {switching === 'sun' && number('onBelowDeg', {})}
      {switching !== 'always' && (
        <>
          {number('spreadMinutes', {})}
          {number('fadeSeconds', {})}
        </>
      )}
    </div>
  );
}

const NUMBERS = {
  onHours: { label: 'On at', low: 0, high: 24, step: 0.25, unit: 'h' },
  offHours: { label: 'Off at', low: 0, high: 24, step: 0.25, unit: 'h' },
  onBelowDeg: { label: 'Sun below', low: -18, high: 18, step: 0.5, unit: '°', digits: 1 },
  spreadMinutes: { label: 'Spread', low: 0, high: 120, step: 1, unit: 'min', digits: 0 },
  fadeSeconds: { label: 'Fade', low: 0, high: 300, step: 1, unit: 's', digits: 0 },
};
