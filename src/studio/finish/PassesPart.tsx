'use client';
/** What happens to the picture after the planes: a column for each pass, its switch first. */
import { useRef, type ReactNode } from 'react';
import { FINISH_PASSES, type PassName } from '@/core/finish/all-passes';
import { type Tone, TONES } from '@/core/finish/tone';
import { inOrder, settingsOf } from '@/core/scene/document';
import { SETTINGS_ID, type SceneSettings } from '@/core/scene/records/settings';
import type { CueValue } from '@/core/time/cue-values';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { FieldOf } from '../controls/FieldOf';
import { Choice, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { useField } from '../desk/use-fields';
import { keepAsLook, lookNow, makeOwn } from '../store/looks';
import { ItemField } from '../time/ItemField';
import { useDayNow } from '../time/use-day-now';
import { TableValues } from './TableValues';
import { GradeDials } from './GradeDials';
import { fieldsOfPass, isOn, switched } from './pass-switches';

const IDS = [SETTINGS_ID];
const TONE_WORDS: Record<Tone, string> = { clip: 'Clip', shoulder: 'Shoulder', film: 'Film' };

export function PassesPart() {
  return (
    <BayColumns>
      <LookColumn />
      <PassColumn pass="exposure">
        <Values of={{ exposureStops: 'Stops', autoShare: 'Automatic' }} />
        <FieldOf
          {...{ collection: 'settings', ids: IDS, field: 'autoLimitStops', label: 'Limit' }}
          {...{ low: 0, high: 6, step: 0.1, unit: 'stops' }}
        />
      </PassColumn>
      <PassColumn pass="fringe">
        <Values of={{ fringePx: 'At corners' }} />
      </PassColumn>
      <PassColumn pass="bloom">
        <Values
          of={{
            bloomLevel: 'Level',
            bloomThreshold: 'Brighter than',
            bloomKnee: 'Knee',
            bloomSpread: 'Spread',
            bloomColour: 'Colour',
          }}
        />
      </PassColumn>
      <PassColumn pass="vignette">
        <Values
          of={{
            vignetteLevel: 'Level',
            vignetteInner: 'Begins at',
            vignetteRoundness: 'Roundness',
            vignetteColour: 'Colour',
          }}
        />
      </PassColumn>
      <PassColumn pass="tone">
        <ToneChoice />
        <Values of={{ whiteLevel: 'White at' }} />
      </PassColumn>
      <PassColumn pass="grade" wide="very">
        <GradeDials />
      </PassColumn>
      <PassColumn pass="table">
        <TableValues />
      </PassColumn>
      <FocusColumn />
    </BayColumns>
  );
}

/** Values that cues may hold, each with what its column calls it. */
function Values({ of }: { of: Partial<Record<CueValue, string>> }) {
  return (Object.entries(of) as [CueValue, string][]).map(([value, short]) => (
    <ItemField key={value} item={{ value }} isDirect short={short} />
  ));
}

function PassColumn({ pass, wide, children }: { pass: PassName; wide?: 'very'; children: ReactNode }) {
  const studio = useStudio();
  const { word } = FINISH_PASSES[pass];
  const on = useScene(({ scene }) => isOn(pass, settingsOf(scene)));
  // What it was set to comes back with the switch, as long as the desk is there.
  const last = useRef<Partial<SceneSettings> | null>(null);
  const turn = (isNowOn: boolean) => {
    const settings = settingsOf(studio.scene);
    const fields = switched(pass, isNowOn, last.current, studio.scene);
    if (isNowOn && !isOn(pass, { ...settings, ...fields })) {
      studio.mention(`${word}: there is nothing to switch on yet.`);
      return;
    }
    if (!isNowOn)
      last.current = Object.fromEntries(fieldsOfPass(pass).map((field) => [field, settings[field]]));
    studio.setSettings(`${word} ${isNowOn ? 'on' : 'off'}`, fields);
  };
  return (
    <Column title={word} wide={wide}>
      <Switch label={word} on={on} onChange={turn} />
      {children}
    </Column>
  );
}

function ToneChoice() {
  const tone = useField('settings', IDS, 'tone', 'Tone');
  return (
    <Choice<Tone>
      label="Curve"
      value={tone.value}
      options={TONES.map((one) => [one, TONE_WORDS[one]])}
      onChange={tone.set}
    />
  );
}

/** The look that is mixed into the finish below, and what can become of both. */
function LookColumn() {
  const studio = useStudio();
  const lookId = useDayNow(() => lookNow(studio));
  const name = useScene(({ scene }) => (lookId === null ? null : (scene.looks[lookId]?.name ?? null)));
  return (
    <Column title="Look">
      <Row label="Mixed in">
        <button
          type="button"
          className="min-w-0 cursor-pointer truncate text-brass"
          title="Choose on the contact sheet"
          onClick={() => studio.desk.setState({ finishPart: 'looks' })}
        >
          {name ?? 'none'}
        </button>
      </Row>
      <ItemField item={{ value: 'lookShare' }} isDirect short="Share" />
      <Row label="">
        <Key onClick={() => keepAsLook(studio)}>Keep as a look</Key>
      </Row>
      {lookId !== null && name !== null && (
        <Row label="">
          <Key onClick={() => makeOwn(studio, lookId)}>Make it the scene’s own</Key>
        </Row>
      )}
    </Column>
  );
}

/** Blur by distance. */
function FocusColumn() {
  const focus = useField('settings', IDS, 'focusPlaneId', 'Plane in focus');
  const planes = useScene(({ scene }) =>
    inOrder(scene.planes).flatMap(([id, { name, overlay }]) => (overlay ? [] : [[id, name] as const])),
  );
  return (
    <Column title="Focus">
      <Choice<string>
        label="In focus"
        value={focus.value ?? ''}
        options={[['', 'every plane'], ...planes.toReversed()]}
        onChange={(id) => focus.set(id === '' ? null : id)}
      />
      <Values of={{ blurPx: 'Blur per step' }} />
      <p className="text-small text-ash">Other planes are blurred by so much for each step away from it.</p>
    </Column>
  );
}
