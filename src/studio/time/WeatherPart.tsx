'use client';
import { inOrder } from '@/core/scene/document';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { Choice, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { useArtworkOptions, useField } from '../desk/use-fields';
import { ItemField } from './ItemField';
import { SettingsField } from './SettingsField';

const IDS = [SETTINGS_ID];

/** What drifts over the scene: shadows of clouds, and mist. */
export function WeatherPart() {
  return (
    <BayColumns>
      <DriftColumn name="cloud" title="Shadows of clouds" />
      <DriftColumn name="mist" title="Mist" />
      <PlanesColumn />
    </BayColumns>
  );
}

function DriftColumn({ name, title }: { name: 'cloud' | 'mist'; title: string }) {
  const artworks = useArtworkOptions();
  const artwork = useField('settings', IDS, `${name}ArtworkId`, 'Pattern');
  return (
    <Column title={title}>
      <ItemField item={{ value: `${name}Strength` }} isDirect />
      <ItemField item={{ value: `${name}Cover` }} isDirect />
      <ItemField item={{ value: `${name}Colour` }} isDirect />
      <SettingsField field={`${name}Softness`} label="Softness" high={1} step={0.01} />
      <SettingsField
        field={`${name}ScalePx`}
        label="Scale"
        low={8}
        high={4096}
        step={4}
        unit="px"
        digits={0}
        logarithmic
      />
      <SettingsField
        field={`${name}WindX`}
        label="Wind across"
        low={-120}
        high={120}
        step={0.5}
        unit="px/s"
        digits={1}
      />
      <SettingsField
        field={`${name}WindY`}
        label="Wind down"
        low={-120}
        high={120}
        step={0.5}
        unit="px/s"
        digits={1}
      />
      <SettingsField field={`${name}FarFade`} label="Fades far" high={1} step={0.01} />
      <SettingsField field={`${name}UprightShare`} label="At the foot" high={1} step={0.01} />
      <SettingsField field={`${name}Seed`} label="Seed" high={0x7fffffff} whole />
      <Choice<string>
        label="Pattern"
        value={artwork.value ?? ''}
        options={[['', 'Noise'], ...artworks]}
        onChange={(id) => artwork.set(id === '' ? null : id)}
      />
    </Column>
  );
}

/** The planes that it drifts over. */
function PlanesColumn() {
  const studio = useStudio();
  const planes = useScene(({ scene }) =>
    inOrder(scene.planes)
      .filter(([, { overlay }]) => !overlay)
      .map(([id, { name, takesDrift }]) => ({ id, name, takesDrift }))
      .toReversed(),
  );
  return (
    <Column title="It drifts over">
      {planes.map(({ id, name, takesDrift }) => (
        <Switch
          key={id}
          label={name}
          on={takesDrift}
          words={['yes', 'no']}
          onChange={(on) => studio.set('Drift', 'planes', id, { takesDrift: on })}
        />
      ))}
      <SettingsField
        field="driftLoopSeconds"
        label="Loop"
        low={1}
        high={3600}
        unit="s"
        digits={0}
        logarithmic
      />
    </Column>
  );
}
