'use client';
import { EyeOff } from 'lucide-react';
import { inOrder } from '@/core/scene/document';
import { CommandKey } from '../controls/CommandKey';
import { Column } from '../controls/Column';
import { Key, Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { NameField } from '../controls/NameField';
import {
  addToSet,
  deleteSet,
  duplicateSet,
  hideOrShowSet,
  membersOf,
  takeOutOfSet,
} from '../store/set-edits';

const MARKS = { left: '⊢', centre: '┼', right: '⊣', top: '⊤', middle: '╪', bottom: '⊥' } as const;

/** What can be done with several things at once: aligning, distributing, naming them together. */
export function ManyColumn() {
  const count = useScene((state) => state.selection.length);
  return (
    <Column title="Together" aside={`${count} picked`}>
      <Row label="Align">
        {(['left', 'centre', 'right'] as const).map((line) => (
          <CommandKey key={line} id={`line-${line}`}>
            {MARKS[line]}
          </CommandKey>
        ))}
      </Row>
      <Row label="">
        {(['top', 'middle', 'bottom'] as const).map((line) => (
          <CommandKey key={line} id={`line-${line}`}>
            {MARKS[line]}
          </CommandKey>
        ))}
      </Row>
      <Row label="Distribute">
        <CommandKey id="spread-across">Across</CommandKey>
        <CommandKey id="spread-down">Down</CommandKey>
      </Row>
      <Row label="Set">
        <CommandKey id="name-set">Name as a set</CommandKey>
      </Row>
      <SetNames />
    </Column>
  );
}

/** All sets: to be named, picked, hidden, copied, deleted, and given or taken members. */
export function SetNames() {
  const studio = useStudio();
  const sets = useScene(({ scene }) => inOrder(scene.sets).map(([id, { name }]) => ({ id, name })));
  const hasPicked = useScene((state) => state.selection.length > 0);
  return sets.map(({ id, name }) => (
    <div key={id} className="mb-[2px]">
      <NameField
        name={name}
        label={`Name of ${name}`}
        className="w-full"
        onChange={(next) => studio.set('Rename', 'sets', id, { name: next })}
      />
      <div className="flex h-[24px] items-center justify-end gap-1">
        {hasPicked ? (
          <>
            <Key name={`Add what is picked to ${name}`} onClick={() => addToSet(studio, id)}>
              Add
            </Key>
            <Key name={`Take what is picked out of ${name}`} onClick={() => takeOutOfSet(studio, id)}>
              Take out
            </Key>
          </>
        ) : (
          <>
            <Key name={`Duplicate ${name}`} onClick={() => duplicateSet(studio, id)}>
              Duplicate
            </Key>
            <Key name={`Delete ${name}`} title="Its members stay" onClick={() => deleteSet(studio, id)}>
              Delete
            </Key>
          </>
        )}
        <Key name={`Pick ${name}`} onClick={() => studio.scenes.select(membersOf(studio.scene, id))}>
          Pick
        </Key>
        <Key
          name={`Hide or show ${name}`}
          title="Hides all of it, or shows all of it where any is hidden"
          onClick={() => hideOrShowSet(studio, id)}
        >
          <EyeOff size={12} aria-hidden />
        </Key>
      </div>
    </div>
  ));
}
