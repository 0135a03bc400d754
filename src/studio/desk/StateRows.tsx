'use client';
import { Switch } from '../controls/small';
import { useField } from './use-fields';

/** Whether things are visible, and locked against being picked and moved on the stage. */
export function StateRows({
  collection,
  ids,
}: {
  collection: 'sprites' | 'lights' | 'lamps' | 'occluders';
  ids: string[];
}) {
  const hidden = useField(collection, ids, 'hidden', 'Hide');
  const locked = useField(collection, ids, 'locked', 'Lock');
  return (
    <>
      <Switch
        label="Visible"
        on={!hidden.value}
        words={['yes', 'no']}
        differs={hidden.differs}
        onChange={(on) => hidden.set(!on)}
      />
      <Switch
        label="Locked"
        on={locked.value}
        words={['yes', 'no']}
        differs={locked.differs}
        onChange={locked.set}
      />
    </>
  );
}
