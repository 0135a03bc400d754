'use client';
import { Row } from '../controls/small';
import { useField } from './use-fields';

/** Whether things are visible, and locked against being picked and moved on the stage. */
export function StateRow({
  collection,
  ids,
}: {
  collection: 'sprites' | 'lights' | 'lamps' | 'occluders';
  ids: string[];
}) {
  const hidden = useField(collection, ids, 'hidden', 'Hide');
  const locked = useField(collection, ids, 'locked', 'Lock');
  const one = (label: string, field: typeof hidden, isOn: boolean, words: string) => (
    <button
      type="button"
      role="switch"
      aria-label={label}
      aria-checked={isOn}
      className={`cursor-pointer px-1 whitespace-nowrap ${isOn ? '' : 'text-ash'}`}
      onClick={() => field.set(!field.value)}
    >
      {field.differs ? 'differs' : words}
    </button>
  );
  return (
    <Row label="State">
      {one('Visible', hidden, !hidden.value, hidden.value ? 'hidden' : 'visible')}
      {one('Locked', locked, locked.value, locked.value ? 'locked' : 'not locked')}
    </Row>
  );
}
