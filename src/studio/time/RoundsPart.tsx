'use client';
/** Rounds: a figure is walked through the scene, to see how it is lit wherever it goes. */
import { useEffect } from 'react';
import { settingsOf } from '@/core/scene/document';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { Choice, Key, Row, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useRounds, useScene, useStudio } from '../context';
import type { WalkKey, WalkWay } from '../store/rounds';

const WAY_WORDS: readonly (readonly [WalkWay, string])[] = [
  ['keys', 'The arrow keys'],
  ['pointer', 'After the pointer'],
];
const ARROWS: Record<string, WalkKey> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

export function RoundsPart() {
  const walks = useRounds(({ spriteId }) => spriteId !== null);
  return (
    <BayColumns>
      <FigureColumn />
      <FollowColumn />
      {walks && <RecordColumn />}
      {walks && <WalkInput />}
    </BayColumns>
  );
}

function FigureColumn() {
  const studio = useStudio();
  const walking = useRounds(({ spriteId }) => spriteId);
  const { by, speedPx, isRecording } = useRounds((state) => state);
  const picked = useScene(({ selection }) =>
    selection.length === 1 && selection[0].collection === 'sprites' ? selection[0].id : null,
  );
  const id = walking ?? picked;
  const name = useScene(({ scene }) => (id === null ? null : (scene.sprites[id]?.name ?? null)));
  const figureId = useScene(({ scene }) => settingsOf(scene).figureId);
  const why = useScene(() => studio.rounds.whyNot(picked));
  const setSpeed = (to: number) => studio.rounds.api.setState({ speedPx: to });
  return (
    <Column title="Figure" wide aside={name}>
      <div className="row flex gap-1">
        {walking === null ? (
          <Key disabled={why !== null} onClick={() => picked && studio.rounds.begin(picked)}>
            {name ? `Walk “${name}”` : 'Walk what is picked'}
          </Key>
        ) : (
          <Key onClick={() => studio.rounds.end()}>End the rounds</Key>
        )}
      </div>
      <Choice<WalkWay>
        label="Led by"
        value={by}
        options={WAY_WORDS}
        onChange={(way) => studio.rounds.api.setState({ by: way })}
      />
      {isRecording ? (
        <Row label="Speed">
          <span className="figure flex-1 text-right">{speedPx} px/s, as it is recorded</span>
        </Row>
      ) : (
        <ValueField
          label="Speed"
          value={speedPx}
          low={1}
          high={600}
          unit="px/s"
          digits={0}
          logarithmic
          initial={60}
          onPreview={setSpeed}
          onCommit={setSpeed}
          onCancel={() => undefined}
        />
      )}
      {id !== null && (
        <Switch
          label="The player"
          on={figureId === id}
          words={['yes', 'no']}
          onChange={(on) => studio.setSettings('The player', { figureId: on ? id : null })}
        />
      )}
      {walking === null && why && <p className="text-ash">{why}</p>}
    </Column>
  );
}

function FollowColumn() {
  const studio = useStudio();
  const { aims, isStopped, viewFollows, gateFollows } = useRounds((state) => state);
  const set = studio.rounds.api.setState;
  return (
    <Column title="As it walks" wide>
      <Switch
        label="Lamp follows the pointer"
        on={aims}
        onChange={(on) => set({ aims: on })}
        words={['yes', 'no']}
      />
      <Switch
        label="Occluders stop it"
        on={isStopped}
        onChange={(on) => set({ isStopped: on })}
        words={['yes', 'no']}
      />
      <Switch
        label="View goes along"
        on={viewFollows}
        onChange={(on) => set({ viewFollows: on })}
        words={['yes', 'no']}
      />
      <Switch
        label="Gate goes along"
        on={gateFollows}
        onChange={(on) => set({ gateFollows: on })}
        words={['yes', 'no']}
      />
    </Column>
  );
}

function RecordColumn() {
  const studio = useStudio();
  const isRecording = useRounds((state) => state.isRecording);
  return (
    <Column title="Recording" wide aside={isRecording && <span className="text-signal">records</span>}>
      <div className="row flex gap-1">
        <Key pressed={isRecording} onClick={() => studio.rounds.record()}>
          {isRecording ? 'Record anew' : 'Record its walk'}
        </Key>
        <Key disabled={!isRecording} onClick={() => studio.rounds.keep()}>
          Keep as its path
        </Key>
      </div>
      <p className="text-ash">
        Its way becomes its path: it walks it by itself, at the same speed, and rests where it stood.
      </p>
    </Column>
  );
}

/** Takes the arrow keys while a figure walks, and tells where the pointer is. */
function WalkInput() {
  const studio = useStudio();
  useEffect(() => {
    const { rounds } = studio;
    const key = (event: KeyboardEvent, isDown: boolean) => {
      if (event.target instanceof HTMLElement && event.target.matches('input, select, textarea')) return;
      if (isDown && event.key === 'Escape') {
        event.stopPropagation();
        return rounds.end();
      }
      const way = ARROWS[event.key];
      if (!way) return;
      if (rounds.api.getState().by !== 'keys') return;
      event.preventDefault();
      event.stopPropagation();
      rounds.press(way, isDown);
    };
    const down = (event: KeyboardEvent) => key(event, true);
    const up = (event: KeyboardEvent) => key(event, false);
    const away = () => rounds.letGo();
    const move = (event: PointerEvent) => {
      if (event.target instanceof HTMLCanvasElement && studio.stage)
        rounds.pointTo(...studio.stage.scenePlace(event));
    };
    window.addEventListener('keydown', down, true);
    window.addEventListener('keyup', up, true);
    window.addEventListener('blur', away);
    window.addEventListener('pointermove', move);
    return () => {
      window.removeEventListener('keydown', down, true);
      window.removeEventListener('keyup', up, true);
      window.removeEventListener('blur', away);
      window.removeEventListener('pointermove', move);
      rounds.end();
    };
  }, [studio]);
  return null;
}
