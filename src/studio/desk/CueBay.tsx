'use client';
import { clockText } from '@/core/time/cues';
import { BayColumns } from '../controls/BayColumns';
import { FieldOf } from '../controls/FieldOf';
import { ColourField, Column, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { commandOf } from '../commands/all-commands';
import { useField } from './use-fields';

/** A cue: its hour and what it holds. What it does not hold runs through it from its neighbours. */
export function CueBay({ id }: { id: string }) {
  const studio = useStudio();
  const cue = useScene((state) => state.scene.cues[id]);
  const colour = useField('cues', [id], 'ambientColour', 'Cue colour');
  const level = useField('cues', [id], 'ambientLevel', 'Cue level');
  if (!cue) return null;
  return (
    <div>
      <p className="mb-1 text-large">
        Cue at {clockText(cue.clockHours)}{' '}
        <span className="text-plain text-ash">the look of the scene at this hour</span>
      </p>
      <BayColumns>
        <Column title="Hour">
          <FieldOf
            collection="cues"
            ids={[id]}
            field="clockHours"
            label="Hour"
            low={0}
            high={23.99}
            step={0.05}
            unit="h"
          />
          <Row label="">
            <Key onClick={() => studio.live.setState({ clockHours: cue.clockHours, dayRate: 0 })}>
              Go there
            </Key>
            <Key onClick={() => commandOf('delete').run(studio)}>Delete</Key>
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
              label=""
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
              label=""
              low={0}
              high={4}
              step={0.01}
              logarithmic
            />
          )}
        </Column>
      </BayColumns>
    </div>
  );
}
