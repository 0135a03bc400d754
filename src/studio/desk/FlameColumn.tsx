'use client';
import { framesIn } from '@/core/art/frames';
import { ANSWERS } from '@/core/scene/records/answer';
import type { FlamePart, LightPart } from '@/core/scene/records/luminaire';
import { Column } from '../controls/Column';
import { Choice, Switch } from '../controls/small';
import { ValueField, type ValueFieldProps } from '../controls/ValueField';
import { useScene } from '../context';
import { ANSWER_WORDS } from '../lights/answers';
import { useOverride } from './look-adapter';
import { useArtworkOptions } from './use-fields';

type NumberField = 'turnDeg' | 'glowLevel' | 'opacity' | 'scaleX' | 'scaleY' | 'frame' | 'seenGain';
type Range = Pick<ValueFieldProps, 'low' | 'high' | 'step' | 'digits' | 'whole' | 'unit' | 'logarithmic'>;

const NUMBERS: readonly (readonly [NumberField, string, Range])[] = [
  ['turnDeg', 'Turn', { low: -180, high: 180, digits: 1, unit: '°' }],
  ['scaleX', 'Scale X', { low: 0.05, high: 8, step: 0.05, unit: 'x', logarithmic: true }],
  ['scaleY', 'Scale Y', { low: 0.05, high: 8, step: 0.05, unit: 'x', logarithmic: true }],
  ['opacity', 'Opacity', { low: 0, high: 1, step: 0.01 }],
  ['glowLevel', 'Glow', { low: 0, high: 8, step: 0.01, logarithmic: true }],
];

/** The sprite of a lamp's flame or glass. */
export function FlameColumn({
  ids,
  part,
  lights,
}: {
  ids: readonly string[];
  part: FlamePart;
  lights: readonly LightPart[];
}) {
  const override = useOverride(ids, part);
  const artworks = useArtworkOptions();
  const frames = useScene(({ scene }) => {
    const artwork = scene.artworks[part.artworkId];
    return artwork ? framesIn(artwork).length : 1;
  });
  const number = ([field, label, range]: (typeof NUMBERS)[number]) => (
    <ValueField
      key={field}
      {...range}
      label={override.mark(field, label)}
      value={part[field]}
      initial={override.base?.[field]}
      differs={override.differs(field)}
      onPreview={(value) => override.preview({ [field]: value })}
      onCommit={(value) => override.commit({ [field]: value })}
      onCancel={override.cancel}
    />
  );
  const toggle = (field: 'flipX' | 'playing', label: string, words: [string, string]) => (
    <Switch
      label={override.mark(field, label)}
      on={part[field]}
      words={words}
      differs={override.differs(field)}
      onChange={(on) => override.commit({ [field]: on })}
    />
  );
  return (
    <Column title="Flame">
      <Choice
        label={override.mark('artworkId', 'Art')}
        value={part.artworkId}
        differs={override.differs('artworkId')}
        options={artworks}
        onChange={(artworkId) => override.commit({ artworkId })}
      />
      <Choice
        label={override.mark('answer', 'Answer')}
        value={part.answer}
        differs={override.differs('answer')}
        options={ANSWERS.map((answer) => [answer, ANSWER_WORDS[answer]])}
        onChange={(answer) => override.commit({ answer })}
      />
      {NUMBERS.map(number)}
      {lights.length > 0 && (
        <Choice
          label={override.mark('glowsWithId', 'Glows with')}
          value={part.glowsWithId ?? ''}
          differs={override.differs('glowsWithId')}
          options={[['', 'nothing'], ...lights.map(({ id, name }) => [id, name] as const)]}
          onChange={(id) => override.commit({ glowsWithId: id === '' ? null : id })}
        />
      )}
      {part.answer === 'seen-when-lit' &&
        number([
          'seenGain',
          'Gain',
          { low: 0.1, high: 32, step: 0.1, digits: 1, unit: 'x', logarithmic: true },
        ])}
      {toggle('flipX', 'Flipped', ['yes', 'no'])}
      {frames > 1 && toggle('playing', 'Frames', ['playing', 'still'])}
      {frames > 1 &&
        number(['frame', part.playing ? 'From' : 'Frame', { low: 0, high: frames - 1, whole: true }])}
    </Column>
  );
}
