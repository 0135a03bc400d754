'use client';
import { useState } from 'react';
import { change } from '@/core/scene/edits';
import { clockText } from '@/core/time/cues';
import { BayColumns } from '../controls/BayColumns';
import { CommandKey } from '../controls/CommandKey';
import { FieldOf, useGesture } from '../controls/FieldOf';
import { ValueField } from '../controls/ValueField';
import { Column } from '../controls/Column';
import { ColourField, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { useField } from './use-fields';

/** A cue: its hour and what it holds. What it does not hold runs through it from its neighbours. */
export function CueBay({ id }: { id: string }) {
  const studio = useStudio();
  const cue = useScene((state) => state.scene.cues[id]);
  const colour = useField('cues', [id], 'ambientColour', 'Cue colour');
  const level = useField('cues', [id], 'ambientLevel', 'Cue level');
  if (!cue) return null;
  return (
    <BayColumns
      title={
        <p className="text-large">
          Cue at {clockText(cue.clockHours)}{' '}
          <span className="text-plain text-ash">the look of the scene at this hour</span>
        </p>
      }
    >
      <Column title="Hour">
        <HourField key={id} id={id} clockHours={cue.clockHours} />
        <Row label="">
          <Key onClick={() => studio.live.setState({ clockHours: cue.clockHours, dayRate: 0 })}>Go there</Key>
          <CommandKey id="delete">Delete</CommandKey>
        </Row>
      </Column>
      <Column title="Ambient">
        <Switch
          label="Colour"
          on={cue.ambientColour !== null}
          words={['held', 'not held']}
          onChange={(on) => colour.set(on ? studio.ambient().colour : null)}
        />
        {cue.ambientColour !== null && (
          <ColourField
            label="Ambient colour"
            value={cue.ambientColour}
            onPreview={colour.preview}
            onCommit={colour.set}
          />
        )}
        <Switch
          label="Level"
          on={cue.ambientLevel !== null}
          words={['held', 'not held']}
          onChange={(on) => level.set(on ? studio.ambient().level : null)}
        />
        {cue.ambientLevel !== null && (
          <FieldOf
            collection="cues"
            ids={[id]}
            field={'ambientLevel' as 'clockHours'}
            label="Ambient level"
            low={0}
            high={4}
            step={0.01}
            logarithmic
          />
        )}
      </Column>
    </BayColumns>
  );
}

/** The hour of a cue. One that another cue has is refused here, and the cue stays where it was. */
function HourField({ id, clockHours }: { id: string; clockHours: number }) {
  const studio = useStudio();
  const gesture = useGesture(studio, 'Hour of a cue');
  const [fault, setFault] = useState<string | null>(null);
  const editsAt = (hours: number) => change(studio.scenes.kept, 'cues', id, { clockHours: hours });
  const isTaken = (hours: number) =>
    Object.entries(studio.scenes.kept.cues).some(([other, cue]) => other !== id && cue.clockHours === hours);
  const commit = (hours: number) => {
    const edit = isTaken(hours) ? null : editsAt(hours);
    setFault(isTaken(hours) ? `There is a cue at ${clockText(hours)} already.` : null);
    if (edit) gesture.commit([edit]);
    else gesture.cancel();
  };
  return (
    <>
      <ValueField
        label="Hour"
        value={clockHours}
        low={0}
        high={23.99}
        step={0.05}
        unit="h"
        onPreview={(hours) => {
          const edit = isTaken(hours) ? null : editsAt(hours);
          if (edit) gesture.preview([edit]);
        }}
        onCommit={commit}
        onCancel={gesture.cancel}
      />
      {fault && (
        <p role="alert" className="text-small text-signal">
          {fault}
        </p>
      )}
    </>
  );
}
