'use client';
import { inOrderOfName } from '../desk/use-fields';
import { artOf } from '@/core/moment/standing';
import type { MotionPath, Turning } from '@/core/scene/records/motion';
import type { TurningKind } from '@/core/time/turnings/all-turnings';
import { TURNING_KINDS } from '@/core/time/turnings/all-turnings';
import { PATH_EASINGS, PATH_ENDS } from '@/core/time/path-run';
import { sameValue, type Edit } from '@/core/scene/edits';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { CommandKey } from '../controls/CommandKey';
import { useGesture } from '../controls/FieldOf';
import { Choice, Key, Row, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useScene, useStudio } from '../context';
import {
  isMover,
  moverOf,
  movingThings,
  pathEdits,
  turningEdits,
  type MoverCollection,
  type MoverName,
} from '../store/motion-edits';

const TURNING_WORDS: Record<TurningKind, string> = {
  steady: 'Round and round',
  swing: 'To and fro',
  look: 'Looks at',
};
const EASING_WORDS = { even: 'Evenly', eased: 'Slow at the ends' } as const;
const END_WORDS = { closed: 'Round and round', back: 'To and fro', appear: 'Appears and vanishes' } as const;
const COLLECTION_WORDS: Record<MoverCollection, string> = {
  sprites: 'sprite',
  lights: 'light',
  lamps: 'lamp',
};

/** What moves by itself, and how what is picked does. */
export function MotionPart() {
  const picked = useScene(({ selection, scene }) =>
    selection.filter(isMover).filter((mover) => moverOf(scene, mover) !== undefined),
  );
  return (
    <BayColumns>
      <MovingColumn picked={picked} />
      {picked.length > 0 && (
        <>
          <TurningColumn movers={picked} />
          <PathColumn movers={picked} />
        </>
      )}
    </BayColumns>
  );
}

function MovingColumn({ picked }: { picked: readonly MoverName[] }) {
  const studio = useStudio();
  const moving = useScene(({ scene }) =>
    movingThings(scene).map((mover) => {
      const { name, turning, path } = moverOf(scene, mover)!;
      const words = [turning && TURNING_WORDS[turning.kind].toLowerCase(), path && 'along a path'];
      return { ...mover, name, words: words.filter(Boolean).join(', ') };
    }),
  );
  return (
    <Column title="What moves" wide aside={moving.length}>
      {moving.map(({ collection, id, name, words }) => (
        <button
          key={`${collection} ${id}`}
          type="button"
          className="key mb-[2px] flex w-full items-center gap-2 text-left"
          data-picked={picked.some((one) => one.collection === collection && one.id === id)}
          onClick={() => studio.pick({ collection, id })}
        >
          <span className="min-w-0 flex-1 truncate">{name || COLLECTION_WORDS[collection]}</span>
          <span className="truncate text-small text-ash">{words}</span>
        </button>
      ))}
      {picked.length === 0 && (
        <p className="text-ash">
          {moving.length === 0 ? 'Nothing moves by itself yet. ' : ''}Pick a sprite, a light or a lamp on the
          stage to let it turn or go along a path; what hangs on it comes along.
        </p>
      )}
    </Column>
  );
}

/** The same field of several things: the first one's value, whether the others differ, and setters for all. */
function useMotion<T extends Turning | MotionPath>(
  movers: readonly MoverName[],
  of: 'turning' | 'path',
  edits: (fields: Partial<T> | null) => Edit[],
) {
  const studio = useStudio();
  const all = useScene(({ scene }) =>
    movers.map((mover) => (moverOf(scene, mover)?.[of] ?? null) as T | null),
  );
  const gesture = useGesture(studio, of === 'turning' ? 'Turning' : 'Path');
  return {
    first: all[0],
    all,
    differs: (field: keyof T) => all.some((one) => !sameValue(one?.[field], all[0]?.[field])),
    isMixed: all.some((one) => (one === null) !== (all[0] === null)),
    preview: (fields: Partial<T>) => gesture.preview(edits(fields)),
    commit: (fields: Partial<T> | null) => gesture.commit(edits(fields)),
    cancel: gesture.cancel,
  };
}

type NumbersOf<T> = { [F in keyof T]: T[F] extends number ? F : never }[keyof T] & string;

interface NumberRow {
  label: string;
  low: number;
  high: number;
  step?: number;
  unit?: string;
  digits?: number;
  logarithmic?: boolean;
}

const SECONDS = { low: 0, high: 60, step: 0.1, unit: 's', digits: 1, logarithmic: true } as const;
const TURNING_NUMBERS: Record<NumbersOf<Turning>, NumberRow> = {
  degreesPerSecond: { label: 'Speed', low: -360, high: 360, unit: '°/s', digits: 0 },
  fromDeg: { label: 'From', low: -180, high: 180, unit: '°', digits: 0 },
  toDeg: { label: 'To', low: -180, high: 180, unit: '°', digits: 0 },
  periodSeconds: { label: 'Period', low: 0.1, high: 60, step: 0.1, unit: 's', digits: 1, logarithmic: true },
  phaseSeconds: { label: 'Ahead by', ...SECONDS },
  lagSeconds: { label: 'Lag', low: 0, high: 5, step: 0.05, unit: 's' },
};
const PATH_NUMBERS: Record<NumbersOf<MotionPath>, NumberRow> = {
  speedPx: { label: 'Speed', low: 1, high: 600, unit: 'px/s', digits: 0, logarithmic: true },
  pauseSeconds: { label: 'Pause', ...SECONDS },
  fadeSeconds: { label: 'Fade', low: 0, high: 10, step: 0.1, unit: 's', digits: 1 },
  phaseSeconds: { label: 'Ahead by', ...SECONDS },
};

/** The numbers that each kind of turning reads. */
const READ: Record<TurningKind, readonly NumbersOf<Turning>[]> = {
  steady: ['degreesPerSecond', 'phaseSeconds'],
  swing: ['fromDeg', 'toDeg', 'periodSeconds', 'phaseSeconds'],
  look: ['lagSeconds'],
};

function TurningColumn({ movers }: { movers: readonly MoverName[] }) {
  const studio = useStudio();
  const of = useMotion<Turning>(movers, 'turning', (fields) =>
    turningEdits(studio.scenes.kept, movers, fields),
  );
  const { first } = of;
  const isMixed = of.isMixed || of.differs('kind');
  return (
    <Column title="Turning" wide>
      <Choice<TurningKind | 'still'>
        label="Turns"
        value={first?.kind ?? 'still'}
        differs={isMixed}
        options={[
          ['still', 'Not by itself'],
          ...TURNING_KINDS.map((kind) => [kind, TURNING_WORDS[kind]] as const),
        ]}
        onChange={(kind) => of.commit(kind === 'still' ? null : { kind })}
      />
      {first && !isMixed && first.kind === 'look' && <LookRows of={of} movers={movers} />}
      {first &&
        !isMixed &&
        READ[first.kind].map((field) => (
          <ValueField
            key={field}
            {...TURNING_NUMBERS[field]}
            value={first[field]}
            differs={of.differs(field)}
            onPreview={(value) => of.preview({ [field]: value })}
            onCommit={(value) => of.commit({ [field]: value })}
            onCancel={of.cancel}
          />
        ))}
    </Column>
  );
}

function LookRows({
  of,
  movers,
}: {
  of: ReturnType<typeof useMotion<Turning>>;
  movers: readonly MoverName[];
}) {
  const first = of.first!;
  const sprites = useScene(({ scene }) =>
    inOrderOfName(scene.sprites).flatMap(([id, { name }]) =>
      movers.some((mover) => mover.id === id) ? [] : [[id, name || 'sprite'] as const],
    ),
  );
  const brackets = useScene(({ scene }) => {
    const sprite = first.atSpriteId === null ? undefined : scene.sprites[first.atSpriteId];
    const artwork = sprite && artOf(scene, sprite);
    return (artwork?.brackets ?? []).map(({ id, name }) => [id, name] as const);
  });
  return (
    <>
      <Choice<string>
        label="At"
        value={first.atSpriteId ?? ''}
        differs={of.differs('atSpriteId')}
        options={[['', 'nothing yet'], ...sprites]}
        onChange={(id) => of.commit({ atSpriteId: id === '' ? null : id, atBracketId: null })}
      />
      {brackets.length > 0 && (
        <Choice<string>
          label="Its"
          value={first.atBracketId ?? ''}
          differs={of.differs('atBracketId')}
          options={[['', 'pivot'], ...brackets]}
          onChange={(id) => of.commit({ atBracketId: id === '' ? null : id })}
        />
      )}
    </>
  );
}

function PathColumn({ movers }: { movers: readonly MoverName[] }) {
  const studio = useStudio();
  const of = useMotion<MotionPath>(movers, 'path', (fields) => pathEdits(studio.scenes.kept, movers, fields));
  const first = of.all.find((path) => path !== null) ?? null;
  const rests = first?.restSeconds.reduce((sum, seconds) => sum + seconds, 0) ?? 0;
  const numbers: NumbersOf<MotionPath>[] =
    first?.ends === 'appear'
      ? ['speedPx', 'pauseSeconds', 'fadeSeconds', 'phaseSeconds']
      : ['speedPx', 'pauseSeconds', 'phaseSeconds'];
  return (
    <Column title="Path" wide aside={first && `${first.points.length / 2} points`}>
      <Row label="">
        <CommandKey id="tool-path">{first ? 'Draw anew' : 'Draw a path'}</CommandKey>
        {first && <Key onClick={() => of.commit(null)}>Take away</Key>}
      </Row>
      {first && (
        <>
          <Choice<MotionPath['ends']>
            label="Goes"
            value={first.ends}
            differs={of.differs('ends')}
            options={PATH_ENDS.map((one) => [one, END_WORDS[one]])}
            onChange={(ends) => of.commit({ ends })}
          />
          <Choice<MotionPath['easing']>
            label="Sets off"
            value={first.easing}
            differs={of.differs('easing')}
            options={PATH_EASINGS.map((one) => [one, EASING_WORDS[one]])}
            onChange={(easing) => of.commit({ easing })}
          />
          {numbers.map((field) => (
            <ValueField
              key={field}
              {...PATH_NUMBERS[field]}
              label={
                field === 'pauseSeconds' && first.ends === 'appear' ? 'Away for' : PATH_NUMBERS[field].label
              }
              value={first[field]}
              differs={of.differs(field)}
              onPreview={(value) => of.preview({ [field]: value })}
              onCommit={(value) => of.commit({ [field]: value })}
              onCancel={of.cancel}
            />
          ))}
          {rests > 0 && (
            <Row label="Rests">
              <span className="figure flex-1 text-right">{rests.toFixed(1)} s in all</span>
              <Key onClick={() => of.commit({ restSeconds: [] })}>Without</Key>
            </Row>
          )}
          <Switch
            label="To the left"
            on={first.flips}
            differs={of.differs('flips')}
            words={['mirrored', 'as it is']}
            onChange={(flips) => of.commit({ flips })}
          />
        </>
      )}
    </Column>
  );
}
