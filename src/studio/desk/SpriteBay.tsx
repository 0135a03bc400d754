'use client';
import { ANSWERS } from '@/core/scene/records/answer';
import { BayColumns } from '../controls/BayColumns';
import { BenchLink } from '../controls/BenchLink';
import { CommandKey } from '../controls/CommandKey';
import { FieldOf } from '../controls/FieldOf';
import { Column } from '../controls/Column';
import { Choice, Key, Row } from '../controls/small';
import { useScene } from '../context';
import { ANSWER_WORDS } from '../lights/answers';
import { CircuitLetters } from './CircuitLetters';
import { FrameFields } from './FrameFields';
import { HangRow } from './HangRow';
import { ManyColumn } from './ManyColumn';
import { PlainColumn } from './PlainColumn';
import { StateRow } from './StateRow';
import { TraceColumn } from './TraceColumn';
import { PlaneChoice, YesOrNo } from './RecordFields';
import { PickedName, PlaceFields, TurnField } from './PlaceFields';
import { inOrderOfName, useField } from './use-fields';

const PLANES = 'plane';

export function SpriteBay({ ids }: { ids: string[] }) {
  const first = useScene((state) => state.scene.sprites[ids[0]]);
  const artwork = useScene((state) => state.scene.artworks[state.scene.sprites[ids[0]]?.artworkId ?? '']);
  const answer = useField('sprites', ids, 'answer', 'Answer');
  const isLurking = useScene(
    ({ scene }) =>
      (scene.sprites[ids[0]]?.answer ?? scene.planes[scene.sprites[ids[0]]?.planeId]?.answer) ===
      'seen-when-lit',
  );
  const circuits = useField('sprites', ids, 'circuitIds', 'Circuits');
  if (!first) return null;
  return (
    <BayColumns
      title={
        <>
          <PickedName collection="sprites" ids={ids} one="sprite" many="sprites" />
          {first.artworkId === null ? (
            <span className="text-ash">flat, without art</span>
          ) : (
            <>
              <span className="text-ash">sprite of {artwork?.name ?? 'a missing artwork'}</span>
              <BenchLink bench="art" artworkId={first.artworkId} className="text-brass">
                its art
              </BenchLink>
              <BenchLink bench="relief" artworkId={first.artworkId} className="text-brass">
                its relief
              </BenchLink>
            </>
          )}
        </>
      }
    >
      <Column title="Place">
        <PlaceFields collection="sprites" ids={ids} />
        <TurnField collection="sprites" ids={ids} />
        <FieldOf
          collection="sprites"
          ids={ids}
          field="scaleX"
          label="Scale X"
          low={0.05}
          high={8}
          step={0.05}
          unit="x"
          logarithmic
          initial={1}
        />
        <FieldOf
          collection="sprites"
          ids={ids}
          field="scaleY"
          label="Scale Y"
          low={0.05}
          high={8}
          step={0.05}
          unit="x"
          logarithmic
          initial={1}
        />
        <StateRow collection="sprites" ids={ids} />
      </Column>
      <Column title="Order">
        <PlaneChoice collection="sprites" ids={ids} />
        <Row label="Order">
          <CommandKey id="rear">⇤</CommandKey>
          <CommandKey id="back">←</CommandKey>
          <CommandKey id="forward">→</CommandKey>
          <CommandKey id="front">⇥</CommandKey>
        </Row>
        <Row label="Flip">
          <CommandKey id="flip-x">↔</CommandKey>
          <CommandKey id="flip-y">↕</CommandKey>
          <CommandKey id="turn">90°</CommandKey>
        </Row>
        <FrameFields ids={ids} />
        <Row label="Copies">
          <CommandKey id="duplicate">Duplicate</CommandKey>
          <CommandKey id="delete">Delete</CommandKey>
        </Row>
        {ids.length === 1 && <HangRow collection="sprites" id={ids[0]} />}
      </Column>
      <Column title="Answer">
        <Choice
          label="Answer"
          value={answer.value ?? PLANES}
          differs={answer.differs}
          options={[[PLANES, 'As its plane'], ...ANSWERS.map((a) => [a, ANSWER_WORDS[a]] as const)]}
          onChange={(value) => answer.set(ANSWERS.find((a) => a === value) ?? null)}
        />
        <FieldOf
          collection="sprites"
          ids={ids}
          field="opacity"
          label="Opacity"
          low={0}
          high={1}
          step={0.01}
          initial={1}
        />
        <FieldOf
          collection="sprites"
          ids={ids}
          field="glowLevel"
          label="Glow"
          low={0}
          high={8}
          step={0.01}
          logarithmic
          initial={1}
        />
        <GlowsWith ids={ids} />
        {isLurking && (
          <FieldOf
            collection="sprites"
            ids={ids}
            field="seenGain"
            label="Gain"
            low={0.1}
            high={32}
            step={0.1}
            digits={1}
            unit="x"
            logarithmic
            initial={4}
          />
        )}
        {first.artworkId !== null && (
          <YesOrNo collection="sprites" ids={ids} field="castsShape" label="Casts its shape" />
        )}
        <YesOrNo collection="sprites" ids={ids} field="takesShadows" label="Takes shadows" />
        <CircuitLetters
          label="Listens"
          ids={circuits.value}
          differs={circuits.differs}
          onChange={(next) => circuits.set(next)}
        />
        {circuits.value && (
          <Row label="">
            <Key onClick={() => circuits.set(null)}>As the plane</Key>
          </Row>
        )}
      </Column>
      {first.plain ? <PlainColumn ids={ids} /> : ids.length === 1 && <TraceColumn spriteId={ids[0]} />}
      {ids.length > 1 && <ManyColumn />}
    </BayColumns>
  );
}

/** The light that the glow of sprites goes with. */
function GlowsWith({ ids }: { ids: readonly string[] }) {
  const field = useField('sprites', ids, 'glowsWithId', 'Glows with');
  const lights = useScene(({ scene }) =>
    inOrderOfName(scene.lights).map(([id, { name }]) => [id, name] as const),
  );
  if (lights.length === 0) return null;
  return (
    <Choice<string>
      label="Glows with"
      value={field.value ?? ''}
      differs={field.differs}
      options={[['', 'nothing'], ...lights]}
      onChange={(id) => field.set(id === '' ? null : id)}
    />
  );
}
