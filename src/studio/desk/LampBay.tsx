'use client';
import { flamePartsOf, lightPartsOf } from '@/core/scene/lamp-parts';
import type { FlamePart, LightPart } from '@/core/scene/records/luminaire';
import { BayColumns } from '../controls/BayColumns';
import { FieldOf } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { Column } from '../controls/Column';
import { Choice, Key, Row } from '../controls/small';
import { useDesk, useScene, useStudio } from '../context';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { resetOverrides, takeApart, updateLuminaire } from '../store/lamp-edits';
import { addFlamePart, addLightPart, deletePart } from '../store/luminaire-parts';
import { FlameColumn } from './FlameColumn';
import { HangRow } from './HangRow';
import { usePartLook } from './look-adapter';
import { LookColumns } from './LookColumns';
import { ManyColumn } from './ManyColumn';
import { PartPlace } from './PartPlace';
import { PartWickColumn } from './PartWickColumn';
import { PlaneChoice, YesOrNo } from './RecordFields';
import { PickedName, PlaceFields, TurnField } from './PlaceFields';
import { PlanesLitColumn } from './PlanesLitColumn';
import { StateRow } from './StateRow';
import { useArtworkOptions } from './use-fields';

/** Lamps: where they are, and the parts of their luminaire with what these lamps override. */
export function LampBay({ ids }: { ids: string[] }) {
  const lamp = useScene(({ scene }) => scene.lamps[ids[0]]);
  const parts = useScene(({ scene }) =>
    lamp ? { lights: lightPartsOf(scene, lamp), flames: flamePartsOf(scene, lamp) } : null,
  );
  const chosen = useDesk((state) => state.partId);
  if (!lamp || !parts) return null;
  const all = [...parts.lights, ...parts.flames];
  const part = all.find(({ id }) => id === chosen) ?? all.at(0);
  const throwsShadows = parts.lights.some(({ shadows, kind }) => shadows && !LIGHT_SCREENS[kind].isAmbient);
  return (
    <BayColumns title={<Title ids={ids} luminaireId={lamp.luminaireId} />}>
      <LampColumn ids={ids} />
      <Column title="Part" aside={overridesIn(lamp.overrides)}>
        <PartChoice ids={ids} all={all} partId={part?.id ?? ''} />
        {part && <PartPlace key={part.id} ids={ids} part={part} />}
      </Column>
      {part && isLight(part) && <LightPartColumns key={part.id} ids={ids} part={part} />}
      {part && !isLight(part) && <FlameColumn key={part.id} ids={ids} part={part} lights={parts.lights} />}
      <PlanesLitColumn collection="lamps" ids={ids} throwsShadows={throwsShadows} />
      <LuminaireColumn
        ids={ids}
        luminaireId={lamp.luminaireId}
        partId={part?.id ?? null}
        isLast={all.length < 2}
      />
      {ids.length > 1 && <ManyColumn />}
    </BayColumns>
  );
}

const isLight = (part: LightPart | FlamePart): part is LightPart => 'reachPx' in part;

function overridesIn(overrides: Record<string, object>): string {
  const count = Object.values(overrides).reduce((sum, own) => sum + Object.keys(own).length, 0);
  return count === 0 ? 'no overrides' : count === 1 ? '1 override' : `${count} overrides`;
}

function Title({ ids, luminaireId }: { ids: string[]; luminaireId: string }) {
  const studio = useStudio();
  const luminaire = useScene(({ scene }) => scene.luminaires[luminaireId]);
  return (
    <>
      <PickedName collection="lamps" ids={ids} one="lamp" many="lamps" />
      <span className="text-ash">lamp of</span>
      {luminaire ? (
        <NameField
          name={luminaire.name}
          label="Name of the luminaire"
          className="max-w-[160px] min-w-[60px] text-brass [field-sizing:content]"
          onChange={(name) => studio.set('Rename', 'luminaires', luminaireId, { name })}
        />
      ) : (
        <span className="text-signal">a missing luminaire</span>
      )}
    </>
  );
}

function LampColumn({ ids }: { ids: string[] }) {
  return (
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
      <TurnField collection="lamps" ids={ids} />
      <YesOrNo collection="lamps" ids={ids} field="flipX" label="Flipped" />
      <PlaneChoice collection="lamps" ids={ids} />
      {ids.length === 1 && <HangRow collection="lamps" id={ids[0]} />}
      <StateRow collection="lamps" ids={ids} />
    </Column>
  );
}

function PartChoice({
  ids,
  all,
  partId,
}: {
  ids: string[];
  all: readonly (LightPart | FlamePart)[];
  partId: string;
}) {
  const studio = useStudio();
  const overrides = useScene(({ scene }) => scene.lamps[ids[0]]?.overrides ?? {});
  return (
    <Choice
      label="Part"
      value={partId}
      options={all.map(({ id, name }) => [id, overrides[id] ? `${name} *` : name])}
      onChange={(id) => studio.desk.setState({ partId: id })}
    />
  );
}

function LightPartColumns({ ids, part }: { ids: string[]; part: LightPart }) {
  return (
    <>
      <LookColumns of={usePartLook(ids, part)} />
      <PartWickColumn ids={ids} part={part} />
    </>
  );
}

/** What is done to the luminaire, and so to all lamps of it. */
function LuminaireColumn({
  ids,
  luminaireId,
  partId,
  isLast,
}: {
  ids: string[];
  luminaireId: string;
  /** The part that is worked on, and whether it is the last one. */
  partId: string | null;
  isLast: boolean;
}) {
  const studio = useStudio();
  const artworks = useArtworkOptions();
  const hasOverrides = useScene(({ scene }) =>
    ids.some((id) => Object.keys(scene.lamps[id]?.overrides ?? {}).length > 0),
  );
  return (
    <Column title="Luminaire" aside="all lamps of it">
      <Row label="Overrides">
        <Key
          title="These lamps are as their luminaire again"
          disabled={!hasOverrides}
          onClick={() => resetOverrides(studio, ids)}
        >
          Reset to luminaire
        </Key>
      </Row>
      <Row label="">
        <Key
          title="All lamps of this luminaire become as this one"
          disabled={!hasOverrides || ids.length > 1}
          onClick={() => updateLuminaire(studio, ids[0])}
        >
          Update luminaire
        </Key>
      </Row>
      <Row label="Parts">
        <Key onClick={() => addLightPart(studio, luminaireId)}>Add a light</Key>
        <Key
          title="Takes the chosen part out of all lamps of this luminaire"
          disabled={isLast || partId === null}
          onClick={() => deletePart(studio, luminaireId, partId!)}
        >
          Delete
        </Key>
      </Row>
      <Choice
        label="Add flame"
        value=""
        options={[['', artworks.length === 0 ? 'no artworks yet' : 'choose its art …'], ...artworks]}
        onChange={(artworkId) => artworkId && addFlamePart(studio, luminaireId, artworkId)}
      />
      <Row label="">
        <Key
          title="Lights and sprites of its own, which do not follow the luminaire any more"
          disabled={ids.length > 1}
          onClick={() => takeApart(studio, ids[0])}
        >
          Take apart
        </Key>
      </Row>
    </Column>
  );
}
