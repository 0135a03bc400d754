'use client';
import { FieldOf } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { useScene, useStudio } from '../context';

/** Where things stand. */
export function PlaceFields({
  collection,
  ids,
}: {
  collection: 'sprites' | 'lamps' | 'lights';
  ids: string[];
}) {
  const common = { collection, ids, low: -2000, high: 2000, digits: 1, unit: 'px' } as const;
  return (
    <>
      <FieldOf {...common} field="x" label="X" />
      <FieldOf {...common} field="y" label="Y" />
    </>
  );
}

/** How sprites or lamps are turned. */
export function TurnField({ collection, ids }: { collection: 'sprites' | 'lamps'; ids: string[] }) {
  return (
    <FieldOf
      {...{ collection, ids, field: 'turnDeg', label: 'Turn', unit: '°' }}
      low={-180}
      high={180}
      digits={1}
      initial={0}
    />
  );
}

type NamedCollection = 'sprites' | 'lights' | 'lamps' | 'occluders';

/** The name of the one thing that is picked, to be changed, or how many there are. */
export function PickedName({
  collection,
  ids,
  one,
  many,
}: {
  collection: NamedCollection;
  ids: string[];
  /** What it is called: `sprite`, and `sprites`. */
  one: string;
  many: string;
}) {
  const studio = useStudio();
  const name = useScene(({ scene }) => scene[collection][ids[0]]?.name ?? '');
  if (ids.length > 1) {
    return (
      <span className="text-large">
        {ids.length} {many}
      </span>
    );
  }
  return (
    <NameField
      name={name}
      label={`Name of the ${one}`}
      className="max-w-[200px] min-w-[60px] text-large [field-sizing:content]"
      onChange={(next) => studio.set('Rename', collection, ids[0], { name: next })}
    />
  );
}
