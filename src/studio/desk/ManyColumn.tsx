'use client';
import { inOrder } from '@/core/scene/document';
import { change } from '@/core/scene/edits';
import { Column, Key, Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { commandOf, whyNot } from '../commands/all-commands';
import { membersOf } from '../commands/placing';

const MARKS = { left: '⊢', centre: '┼', right: '⊣', top: '⊤', middle: '╪', bottom: '⊥' } as const;

/** What can be done with several things at once: lining up, spreading, naming them together. */
export function ManyColumn() {
  const studio = useStudio();
  const count = useScene((state) => state.selection.length);
  const command = (id: string, words: string, name?: string) => (
    <Key
      name={name}
      title={whyNot(studio, id) ?? name}
      disabled={whyNot(studio, id) !== null}
      onClick={() => commandOf(id).run(studio)}
    >
      {words}
    </Key>
  );
  return (
    <Column title="Together" aside={`${count} picked`}>
      <Row label="Line up">
        {(['left', 'centre', 'right'] as const).map((line) => (
          <span key={line}>{command(`line-${line}`, MARKS[line], `Line up: ${line}`)}</span>
        ))}
      </Row>
      <Row label="">
        {(['top', 'middle', 'bottom'] as const).map((line) => (
          <span key={line}>{command(`line-${line}`, MARKS[line], `Line up: ${line}`)}</span>
        ))}
      </Row>
      <Row label="Spread">
        {command('spread-across', 'Across')}
        {command('spread-down', 'Down')}
      </Row>
      <Row label="Set">{command('name-set', 'Name as a set')}</Row>
      <SetNames />
    </Column>
  );
}

/** The sets that what is picked belongs to, or all there are; a press picks all of one. */
export function SetNames() {
  const studio = useStudio();
  const sets = useScene(({ scene }) => inOrder(scene.sets).map(([id, { name }]) => ({ id, name })));
  return (
    <>
      {sets.map(({ id, name }) => (
        <Row key={id} label="">
          <input
            key={name}
            aria-label={`Name of ${name}`}
            className="field min-w-0 flex-1"
            defaultValue={name}
            onKeyDown={(event) => {
              if (event.key === 'Enter') event.currentTarget.blur();
              event.stopPropagation();
            }}
            onBlur={(event) => {
              const next = event.currentTarget.value.trim();
              if (next && next !== name) studio.set('Rename', 'sets', id, { name: next });
            }}
          />
          <Key name={`Pick ${name}`} onClick={() => studio.scenes.select(membersOf(studio.scene, id))}>
            Pick
          </Key>
          <Key
            name={`Hide or show ${name}`}
            title="Hides all of it, or shows all of it where any is hidden"
            onClick={() => {
              const members = membersOf(studio.scene, id);
              const anyHidden = members.some(
                (m) => (studio.scene[m.collection][m.id] as { hidden?: boolean }).hidden,
              );
              studio.scenes.transact({
                label: 'Hide or show a set',
                edits: members.flatMap(
                  (m) => change(studio.scene, m.collection as 'sprites', m.id, { hidden: !anyHidden }) ?? [],
                ),
              });
            }}
          >
            ◐
          </Key>
        </Row>
      ))}
    </>
  );
}
