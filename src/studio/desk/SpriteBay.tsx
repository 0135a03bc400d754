'use client';
import { ANSWERS } from '@/core/scene/records/answer';
import { change } from '@/core/scene/edits';
import { BayColumns } from '../controls/BayColumns';
import { FieldOf } from '../controls/FieldOf';
import { Choice, Column, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { commandOf } from '../commands/all-commands';
import { ANSWER_WORDS } from './answers';
import { CircuitLetters } from './CircuitLetters';
import { FrameFields } from './FrameFields';
import { HangRow } from './HangRow';
import { ManyColumn } from './ManyColumn';
import { PlainColumn } from './PlainColumn';
import { TraceColumn } from './TraceColumn';
import { PickedName, PlaceFields } from './PlaceFields';
import { useField, usePlaneOptions } from './use-fields';

const PLANES = 'plane';

export function SpriteBay({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const first = useScene((state) => state.scene.sprites[ids[0]]);
  const artwork = useScene((state) => state.scene.artworks[state.scene.sprites[ids[0]]?.artworkId ?? '']);
  const planes = usePlaneOptions();
  const answer = useField('sprites', ids, 'answer', 'Answer');
  const takesShadows = useField('sprites', ids, 'takesShadows', 'Takes shadows');
  const casts = useField('sprites', ids, 'castsShape', 'Stands');
  const isLurking = useScene(
    ({ scene }) =>
      (scene.sprites[ids[0]]?.answer ?? scene.planes[scene.sprites[ids[0]]?.planeId]?.answer) ===
      'seen-when-lit',
  );
  const circuits = useField('sprites', ids, 'circuitIds', 'Circuits');
  const plane = useField('sprites', ids, 'planeId', 'Put on a plane');
  if (!first) return null;
  const command = (id: string, words: string) => <Key onClick={() => commandOf(id).run(studio)}>{words}</Key>;
  const toPlane = (planeId: string) =>
    studio.scenes.transact({
      label: 'Put on a plane',
      edits: ids.flatMap((id) => change(studio.scene, 'sprites', id, { planeId }) ?? []),
    });
  const openBench = (bench: 'art' | 'relief') => studio.desk.setState({ bench, artworkId: first.artworkId });
  return (
    <div>
      <div className="mb-1 flex items-center gap-2">
        <PickedName collection="sprites" ids={ids} one="sprite" many="sprites" />
        {first.artworkId === null ? (
          <span className="text-ash">board, without art</span>
        ) : (
          <>
            <span className="text-ash">sprite of {artwork?.name ?? 'a missing artwork'}</span>
            <button type="button" className="cursor-pointer text-brass" onClick={() => openBench('art')}>
              its art
            </button>
            <button type="button" className="cursor-pointer text-brass" onClick={() => openBench('relief')}>
              its relief
            </button>
          </>
        )}
      </div>
      <BayColumns>
        <Column title="Place">
          <PlaceFields collection="sprites" ids={ids} />
          <FieldOf
            collection="sprites"
            ids={ids}
            field="scaleX"
            label="Width"
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
            label="Height"
            low={0.05}
            high={8}
            step={0.05}
            unit="x"
            logarithmic
            initial={1}
          />
        </Column>
        <Column title="Order">
          <Choice
            label="Plane"
            value={plane.value}
            differs={plane.differs}
            options={planes}
            onChange={toPlane}
          />
          <Row label="Drawn">
            {command('back', 'Back')}
            {command('forward', 'Fore')}
            {command('front', 'First')}
          </Row>
          <Row label="Flip">
            {command('flip-x', '↔')}
            {command('flip-y', '↕')}
            {command('turn', '90°')}
          </Row>
          <FrameFields ids={ids} />
          <Row label="Copies">
            {command('duplicate', 'Duplicate')}
            {command('delete', 'Delete')}
          </Row>
          {ids.length === 1 && <HangRow collection="sprites" id={ids[0]} />}
        </Column>
        <Column title="Answer">
          <Choice
            label="Answer"
            value={answer.value ?? PLANES}
            differs={answer.differs}
            options={[[PLANES, 'As the plane says'], ...ANSWERS.map((a) => [a, ANSWER_WORDS[a]] as const)]}
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
          {isLurking && (
            <FieldOf
              collection="sprites"
              ids={ids}
              field="seenGain"
              label="Shows"
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
            <Switch
              label="Stands"
              on={casts.value}
              words={['throws its shape', 'flat']}
              differs={casts.differs}
              onChange={casts.set}
            />
          )}
          <Switch
            label="Shadows"
            on={takesShadows.value}
            words={['taken', 'not taken']}
            differs={takesShadows.differs}
            onChange={takesShadows.set}
          />
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
    </div>
  );
}
