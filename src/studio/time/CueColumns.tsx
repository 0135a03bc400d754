'use client';
import { useState } from 'react';
import { inOrder } from '@/core/scene/document';
import { change } from '@/core/scene/edits';
import type { Cue } from '@/core/scene/records/cue';
import { cueValueRow, CUE_VALUE_NAMES, isCueColour, type CueValue } from '@/core/time/cue-values';
import { clockText } from '@/core/time/cues';
import { Column } from '../controls/Column';
import { CommandKey } from '../controls/CommandKey';
import { useGesture } from '../controls/FieldOf';
import { ColourField, Choice, Key, Row } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useScene, useStudio } from '../context';
import { goToHour } from '../dayline/Dayline';
import { copyCue } from '../store/cue-edits';
import { itemAt } from '../store/day-trial';

/** A cue: its hour, and what it holds. What it does not hold runs through it from its neighbours. */
export function CueColumns({ id }: { id: string }) {
  const studio = useStudio();
  const cue = useScene((state) => state.scene.cues[id]);
  if (!cue) return null;
  return (
    <>
      <Column title={`Cue at ${clockText(cue.clockHours)}`}>
        <HourField key={id} id={id} clockHours={cue.clockHours} />
        <Row label="">
          <Key onClick={() => goToHour(studio, cue.clockHours)}>Go there</Key>
          <Key
            title="Another cue with the same values, at the hour of the playhead"
            onClick={() => copyCue(studio, id)}
          >
            Copy here
          </Key>
        </Row>
        <Row label="">
          <CommandKey id="delete">Delete</CommandKey>
        </Row>
      </Column>
      <Column title="What it holds" wide="very">
        {CUE_VALUE_NAMES.filter((name) => cue[name] !== null).map((name) => (
          <HeldValue key={name} id={id} cue={cue} name={name} />
        ))}
        {cue.circuitLevels.map(({ circuitId }) => (
          <HeldCircuit key={circuitId} id={id} cue={cue} circuitId={circuitId} />
        ))}
        <CueWash id={id} cue={cue} />
        <AddValue id={id} cue={cue} />
      </Column>
    </>
  );
}

type Edited = Partial<Cue>;

function useCueGesture(id: string, label: string) {
  const studio = useStudio();
  const gesture = useGesture(studio, label);
  const edits = (fields: Edited) => {
    const edit = change(studio.scenes.kept, 'cues', id, fields);
    return edit ? [edit] : [];
  };
  return {
    preview: (fields: Edited) => gesture.preview(edits(fields)),
    commit: (fields: Edited) => gesture.commit(edits(fields)),
    cancel: gesture.cancel,
  };
}

/** A row: the value, whether it holds until the next cue, and a key that lets it go. */
function Held({
  words,
  isHeld,
  onHold,
  onDrop,
  children,
}: {
  words: string;
  isHeld: boolean;
  onHold(held: boolean): void;
  onDrop(): void;
  children: React.ReactNode;
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_52px_18px] items-center gap-1">
      {children}
      <button
        type="button"
        role="switch"
        aria-checked={isHeld}
        aria-label={`${words} after this cue`}
        title={
          isHeld
            ? 'Stays as it is until the next cue that holds it'
            : 'Runs smoothly to the next cue that holds it'
        }
        className="cursor-pointer text-small text-ash"
        onClick={() => onHold(!isHeld)}
      >
        {isHeld ? 'holds' : 'smooth'}
      </button>
      <button
        type="button"
        aria-label={`Let go of ${words}`}
        title="This cue does not hold it any more"
        className="cursor-pointer text-ash"
        onClick={onDrop}
      >
        ×
      </button>
    </div>
  );
}

function HeldValue({ id, cue, name }: { id: string; cue: Cue; name: CueValue }) {
  const { word, low = 0, high = 1, unit } = cueValueRow(name);
  const gesture = useCueGesture(id, word);
  const value = cue[name]!;
  const held = cue.held.includes(name);
  return (
    <Held
      words={word}
      isHeld={held}
      onHold={(on) =>
        gesture.commit({ held: on ? [...cue.held, name] : cue.held.filter((one) => one !== name) })
      }
      onDrop={() => gesture.commit({ [name]: null, held: cue.held.filter((one) => one !== name) })}
    >
      {isCueColour(name) ? (
        <ColourField
          label={word}
          value={value as string}
          onPreview={(to) => gesture.preview({ [name]: to })}
          onCommit={(to) => gesture.commit({ [name]: to })}
        />
      ) : (
        <ValueField
          label={word}
          value={value as number}
          low={low}
          high={high}
          step={0.01}
          unit={unit}
          onPreview={(to) => gesture.preview({ [name]: to })}
          onCommit={(to) => gesture.commit({ [name]: to })}
          onCancel={gesture.cancel}
        />
      )}
    </Held>
  );
}

function HeldCircuit({ id, cue, circuitId }: { id: string; cue: Cue; circuitId: string }) {
  const name = useScene(({ scene }) => scene.circuits[circuitId]?.name ?? '');
  const gesture = useCueGesture(id, name);
  const own = cue.circuitLevels.find((one) => one.circuitId === circuitId)!;
  const others = cue.circuitLevels.filter((one) => one !== own);
  const withOwn = (fields: Partial<typeof own>): Edited => ({
    circuitLevels: cue.circuitLevels.map((one) => (one === own ? { ...own, ...fields } : one)),
  });
  return (
    <Held
      words={name}
      isHeld={own.held}
      onHold={(held) => gesture.commit(withOwn({ held }))}
      onDrop={() => gesture.commit({ circuitLevels: others })}
    >
      <ValueField
        label={name}
        value={own.level}
        low={0}
        high={2}
        step={0.01}
        onPreview={(level) => gesture.preview(withOwn({ level }))}
        onCommit={(level) => gesture.commit(withOwn({ level }))}
        onCancel={gesture.cancel}
      />
    </Held>
  );
}

/** The wash that a cue names; there only where the scene has washes. */
function CueWash({ id, cue }: { id: string; cue: Cue }) {
  const gesture = useCueGesture(id, 'Wash');
  const washes = useScene(({ scene }) =>
    inOrder(scene.washes).map(([wid, { name }]) => [wid, name] as const),
  );
  if (washes.length === 0) return null;
  return (
    <Choice<string>
      label="Wash shown"
      value={cue.washId ?? ''}
      options={[['', 'as before'], ...washes]}
      onChange={(washId) => gesture.commit({ washId: washId === '' ? null : washId })}
    />
  );
}

/** Another value for the cue to hold, as the day has it at the cue's own hour. */
function AddValue({ id, cue }: { id: string; cue: Cue }) {
  const studio = useStudio();
  const gesture = useCueGesture(id, 'Cue');
  const circuits = useScene(({ scene }) =>
    Object.entries(scene.circuits).map(([cid, { name }]) => [cid, name] as const),
  );
  const free = CUE_VALUE_NAMES.filter((name) => cue[name] === null);
  const freeCircuits = circuits.filter(([cid]) => cue.circuitLevels.every((one) => one.circuitId !== cid));
  if (free.length + freeCircuits.length === 0) return null;
  const add = (key: string) => {
    const name = free.find((one) => one === key);
    const day = studio.day();
    if (name) gesture.commit({ [name]: itemAt(studio, { value: name }, cue.clockHours) });
    else if (key !== '')
      gesture.commit({
        circuitLevels: [
          ...cue.circuitLevels,
          { circuitId: key, level: day.circuitLevel(key, cue.clockHours), held: false },
        ],
      });
  };
  return (
    <Choice<string>
      label="Hold more"
      value=""
      options={[
        ['', 'choose a value'],
        ...free.map((name) => [name, cueValueRow(name).word] as const),
        ...freeCircuits,
      ]}
      onChange={add}
    />
  );
}

/** The hour of a cue. One that another cue has is refused here, and the cue stays where it was. */
function HourField({ id, clockHours }: { id: string; clockHours: number }) {
  const studio = useStudio();
  const gesture = useCueGesture(id, 'Hour of a cue');
  const [fault, setFault] = useState<string | null>(null);
  const isTaken = (hours: number) =>
    Object.entries(studio.scenes.kept.cues).some(([other, cue]) => other !== id && cue.clockHours === hours);
  const commit = (hours: number) => {
    setFault(isTaken(hours) ? `There is a cue at ${clockText(hours)} already.` : null);
    if (isTaken(hours)) gesture.cancel();
    else gesture.commit({ clockHours: hours });
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
          if (!isTaken(hours)) gesture.preview({ clockHours: hours });
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
