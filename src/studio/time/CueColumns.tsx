'use client';
import { useState } from 'react';
import { inOrder } from '@/core/scene/document';
import { changes } from '@/core/scene/edits';
import type { Cue } from '@/core/scene/records/cue';
import { isHeld, itemIn, itemKey, itemsIn, withHeld, withItem, type CueItem } from '@/core/time/cue-items';
import { clockText } from '@/core/time/cues';
import { Column } from '../controls/Column';
import { CommandKey } from '../controls/CommandKey';
import { useGesture } from '../controls/FieldOf';
import { Choice, Key, Row } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useScene, useStudio } from '../context';
import { goToHour } from '../dayline/Dayline';
import { copyCue } from '../store/cue-edits';
import { holdable, itemAt, itemWords } from '../store/day-trial';
import { ItemInput } from './ItemInput';

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
        {itemsIn(cue).map((item) => (
          <HeldItem key={itemKey(item)} id={id} cue={cue} item={item} />
        ))}
        <CueWash id={id} cue={cue} />
        <CueLook id={id} cue={cue} />
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
    return changes(studio.scenes.kept, 'cues', id, fields);
  };
  return {
    preview: (fields: Edited) => gesture.preview(edits(fields)),
    commit: (fields: Edited) => gesture.commit(edits(fields)),
    cancel: gesture.cancel,
  };
}

/** A row: the value, whether it holds until the next cue, and a key that lets it go. */
function HeldItem({ id, cue, item }: { id: string; cue: Cue; item: CueItem }) {
  const studio = useStudio();
  const words = useScene(() => itemWords(studio, item));
  const gesture = useCueGesture(id, words);
  const held = isHeld(cue, item);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_52px_18px] items-center gap-1">
      <ItemInput
        item={item}
        label={words}
        value={itemIn(cue, item)!}
        onPreview={(to) => gesture.preview(withItem(cue, item, to))}
        onCommit={(to) => gesture.commit(withItem(cue, item, to))}
        onCancel={gesture.cancel}
      />
      <button
        type="button"
        role="switch"
        aria-checked={held}
        aria-label={`${words} after this cue`}
        title={
          held
            ? 'Stays as it is until the next cue that holds it'
            : 'Runs smoothly to the next cue that holds it'
        }
        className="cursor-pointer text-small text-ash"
        onClick={() => gesture.commit(withHeld(cue, item, !held))}
      >
        {held ? 'holds' : 'smooth'}
      </button>
      <button
        type="button"
        aria-label={`Let go of ${words}`}
        title="This cue does not hold it any more"
        className="cursor-pointer text-ash"
        onClick={() => gesture.commit(withItem(cue, item, null))}
      >
        ×
      </button>
    </div>
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

/** The look that a cue names; there only where the project has looks. */
function CueLook({ id, cue }: { id: string; cue: Cue }) {
  const gesture = useCueGesture(id, 'Look');
  const looks = useScene(({ scene }) =>
    inOrder(scene.looks).map(([lookId, { name }]) => [lookId, name] as const),
  );
  if (looks.length === 0) return null;
  return (
    <Choice<string>
      label="Look"
      value={cue.lookId ?? ''}
      options={[['', 'as before'], ...looks]}
      onChange={(lookId) => gesture.commit({ lookId: lookId === '' ? null : lookId })}
    />
  );
}

/** Another value for the cue to hold, as the day has it at the cue's own hour. */
function AddValue({ id, cue }: { id: string; cue: Cue }) {
  const studio = useStudio();
  const gesture = useCueGesture(id, 'Cue');
  const free = useScene(() => holdable(studio).filter((item) => itemIn(cue, item) === null));
  if (free.length === 0) return null;
  return (
    <Choice<string>
      label="Hold more"
      value=""
      options={[
        ['', 'choose a value'],
        ...free.map((item) => [itemKey(item), itemWords(studio, item)] as const),
      ]}
      onChange={(key) => {
        const item = free.find((one) => itemKey(one) === key);
        if (item) gesture.commit(withItem(cue, item, itemAt(studio, item, cue.clockHours)));
      }}
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
