'use client';
/** Washes: faint gradients over the picture, edited by their points on the stage. */
import { useEffect } from 'react';
import { inOrder, settingsOf } from '@/core/scene/document';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import {
  WASH_BLENDS,
  WASH_TIES,
  type WashBlend,
  type WashChooser,
  type WashTie,
} from '@/core/scene/records/wash';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { FieldOf, useGesture } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { Choice, ColourField, Key, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { change } from '@/core/scene/edits';
import { useDesk, useScene, useStudio } from '../context';
import { useField } from '../desk/use-fields';
import {
  addWash,
  addWashPoint,
  deleteWash,
  deleteWashPoint,
  duplicateWash,
  withPointChanged,
} from '../store/wash-edits';
import { ItemField } from './ItemField';
import { SettingsField } from './SettingsField';

const IDS = [SETTINGS_ID];
const BLEND_WORDS: Record<WashBlend, string> = {
  normal: 'Normal',
  multiply: 'Multiply',
  screen: 'Screen',
  add: 'Add',
};
const TIE_WORDS: Record<WashTie, string> = {
  gate: 'The gate',
  scene: 'The scene',
  rectangle: 'A rectangle',
};
const CHOOSER_WORDS: readonly (readonly [WashChooser, string])[] = [
  ['cues', 'The hour'],
  ['seed', 'Chance'],
];
/** With Shift: the key alone is the work lamp's. */
const FULL_KEY = 'W';

export function WashPart() {
  const studio = useStudio();
  const washes = useScene(({ scene }) => inOrder(scene.washes).map(([id, { name }]) => [id, name] as const));
  const chosen = useDesk((state) => state.washId);
  const washId = washes.some(([id]) => id === chosen) ? chosen : (washes[0]?.[0] ?? null);
  const choose = (id: string | null) => studio.desk.setState({ washId: id });
  return (
    <BayColumns>
      <Column title="Washes" aside={`${washes.length}`}>
        <div className="row flex flex-wrap gap-1">
          <Key onClick={() => choose(addWash(studio))}>New wash</Key>
          {washId && (
            <>
              <Key onClick={() => choose(duplicateWash(studio, washId))}>Duplicate</Key>
              <Key
                onClick={() => {
                  choose(null);
                  deleteWash(studio, washId);
                }}
              >
                Delete
              </Key>
            </>
          )}
        </div>
        {washes.map(([id, name]) => (
          <button
            key={id}
            type="button"
            className="key mb-[2px] w-full text-left"
            data-picked={washId === id}
            onClick={() => choose(id)}
          >
            {name}
          </button>
        ))}
        {washes.length === 0 && (
          <p className="text-ash">A wash is a faint gradient of a few colours over the picture.</p>
        )}
      </Column>
      {washId && <WashColumn key={washId} washId={washId} />}
      {washId && <PointsColumn key={`${washId} points`} washId={washId} />}
      {washes.length > 0 && <ShownColumn washes={washes} />}
    </BayColumns>
  );
}

function WashColumn({ washId }: { washId: string }) {
  const studio = useStudio();
  const ids = [washId];
  const name = useScene(({ scene }) => scene.washes[washId]?.name ?? '');
  const tie = useField('washes', ids, 'tiedTo', 'Tied to');
  const blend = useField('washes', ids, 'blend', 'Blend');
  const hasFigure = useScene(({ scene }) => settingsOf(scene).figureId !== null);
  const entering = useField('washes', ids, 'onEntering', 'In its area');
  return (
    <Column
      title="Wash"
      aside={
        <NameField
          name={name}
          label="Name of the wash"
          className="w-[100px] text-right"
          onChange={(next) => studio.set('Rename', 'washes', washId, { name: next })}
        />
      }
    >
      <FieldOf collection="washes" ids={ids} field="opacity" label="Opacity" low={0} high={1} step={0.01} />
      <Choice<WashBlend>
        label="Blend"
        value={blend.value}
        options={WASH_BLENDS.map((one) => [one, BLEND_WORDS[one]] as const)}
        onChange={blend.set}
      />
      <Choice<WashTie>
        label="Tied to"
        value={tie.value}
        options={WASH_TIES.map((one) => [one, TIE_WORDS[one]] as const)}
        onChange={tie.set}
      />
      <Switch label="In its area" on={entering.value} words={['yes', 'no']} onChange={entering.set} />
      {entering.value && (
        <FieldOf
          collection="washes"
          ids={ids}
          field="fadePx"
          label="Comes in over"
          low={0}
          high={400}
          unit="px"
          digits={0}
        />
      )}
      {entering.value && !hasFigure && (
        <p className="text-signal">No sprite is the player yet: Rounds says which one is.</p>
      )}
      {(entering.value || tie.value === 'rectangle') && <RectangleFields ids={ids} />}
      <FullKey washId={washId} />
    </Column>
  );
}

function RectangleFields({ ids }: { ids: string[] }) {
  return (['x', 'y', 'widthPx', 'heightPx'] as const).map((field) => (
    <FieldOf
      key={field}
      collection="washes"
      ids={ids}
      field={field}
      label={{ x: 'Left', y: 'Top', widthPx: 'Width', heightPx: 'Height' }[field]}
      low={field === 'x' || field === 'y' ? -4096 : 1}
      high={4096}
      unit="px"
      digits={0}
    />
  ));
}

/** While it is held, or its key, the wash is seen in full: faint ones are judged and set by it. */
function FullKey({ washId }: { washId: string }) {
  const studio = useStudio();
  const isFull = useDesk((state) => state.fullWash !== null);
  useEffect(() => {
    const show = (on: boolean) => studio.desk.setState({ fullWash: on ? washId : null });
    const isTyping = ({ target }: KeyboardEvent) =>
      target instanceof HTMLElement && target.matches('input, select, textarea');
    const down = (event: KeyboardEvent) => {
      if (event.key === FULL_KEY && !event.repeat && !event.ctrlKey && !event.altKey && !isTyping(event))
        show(true);
    };
    const up = ({ key }: KeyboardEvent) =>
      [FULL_KEY, FULL_KEY.toLowerCase(), 'Shift'].includes(key) && show(false);
    const away = () => show(false);
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', away);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', away);
      show(false);
    };
  }, [studio, washId]);
  return (
    <div className="row">
      <button
        type="button"
        className="key"
        aria-pressed={isFull}
        title="Hold it, or Shift and W, to see this wash in full"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          studio.desk.setState({ fullWash: washId });
        }}
        onPointerUp={() => studio.desk.setState({ fullWash: null })}
        onPointerCancel={() => studio.desk.setState({ fullWash: null })}
      >
        Hold to see it in full
      </button>
    </div>
  );
}

function PointsColumn({ washId }: { washId: string }) {
  const studio = useStudio();
  const wash = useScene(({ scene }) => scene.washes[washId]);
  const gesture = useGesture(studio, 'Point of a wash');
  if (!wash) return null;
  const editsFor = (point: number, fields: Partial<(typeof wash.points)[number]>) =>
    change(
      studio.scenes.kept,
      'washes',
      washId,
      withPointChanged(studio.scenes.kept.washes[washId], point, fields),
    ) ?? [];
  const add = () => {
    const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(studio.scene);
    addWashPoint(studio, washId, gateX + gateWidthPx / 2, gateY + gateHeightPx / 2);
  };
  return (
    <Column title="Points" wide>
      {wash.points.map(({ colour, spreadPx, opacity }, i) => (
        <div key={i} role="group" aria-label={`Point ${i + 1}`} className="mb-1 border-b border-line pb-1">
          <div className="flex items-center gap-2">
            <div className="min-w-0 flex-1">
              <ColourField
                label={`Colour ${i + 1}`}
                value={colour}
                onPreview={(to) => gesture.preview([editsFor(i, { colour: to })].flat())}
                onCommit={(to) => gesture.commit([editsFor(i, { colour: to })].flat())}
              />
            </div>
            <button
              type="button"
              className="cursor-pointer text-ash hover:text-signal"
              aria-label={`Delete point ${i + 1}`}
              onClick={() => deleteWashPoint(studio, washId, i)}
            >
              ×
            </button>
          </div>
          <ValueField
            label={`Spread ${i + 1}`}
            value={spreadPx}
            low={1}
            high={2000}
            unit="px"
            digits={0}
            logarithmic
            onPreview={(to) => gesture.preview([editsFor(i, { spreadPx: to })].flat())}
            onCommit={(to) => gesture.commit([editsFor(i, { spreadPx: to })].flat())}
            onCancel={gesture.cancel}
          />
          <ValueField
            label={`Opacity ${i + 1}`}
            value={opacity}
            low={0}
            high={1}
            step={0.01}
            onPreview={(to) => gesture.preview([editsFor(i, { opacity: to })].flat())}
            onCommit={(to) => gesture.commit([editsFor(i, { opacity: to })].flat())}
            onCancel={gesture.cancel}
          />
        </div>
      ))}
      <div className="row">
        <Key onClick={add}>Add a point</Key>
      </div>
    </Column>
  );
}

/** How chance picks. */
function SeedFields() {
  return (
    <>
      <SettingsField field="washSeed" label="Seed" high={0x7fffffff} whole />
      <SettingsField
        field="washEverySeconds"
        label="Each for"
        low={1}
        high={3600}
        unit="s"
        digits={0}
        logarithmic
      />
      <SettingsField field="washFadeSeconds" label="Fades over" high={60} step={0.5} unit="s" digits={1} />
    </>
  );
}

/** Which wash lies on the picture. */
function ShownColumn({ washes }: { washes: readonly (readonly [string, string])[] }) {
  const own = useField('settings', IDS, 'washId', 'Wash');
  const by = useField('settings', IDS, 'washBy', 'Wash');
  const inCues = useScene(
    ({ scene }) => Object.values(scene.cues).filter(({ washId }) => washId !== null).length,
  );
  return (
    <Column title="On the picture">
      <Choice<WashChooser> label="Chosen by" value={by.value} options={CHOOSER_WORDS} onChange={by.set} />
      {by.value === 'seed' && <SeedFields />}
      {by.value === 'cues' && (
        <Choice<string>
          label="Wash shown"
          value={own.value ?? ''}
          options={[['', 'None'], ...washes]}
          onChange={(id) => own.set(id === '' ? null : id)}
        />
      )}
      <ItemField item={{ value: 'washStrength' }} isDirect />
      <p className="text-ash">
        {by.value === 'seed'
          ? 'One after the other, as the seed has it; those of an area come where the player is.'
          : inCues > 0
            ? `${inCues} ${inCues === 1 ? 'cue names a wash' : 'cues name washes'}, in the place of this one.`
            : 'Cues can name a wash each; they fade into each other.'}
      </p>
    </Column>
  );
}
