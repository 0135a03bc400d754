'use client';
import { FieldOf } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { useScene, useStudio } from '../context';

/** Where sprites or lamps stand and how they are turned. */
export function PlaceFields({ collection, ids }: { collection: 'sprites' | 'lamps'; ids: string[] }) {
  const common = { collection, ids, digits: 1 };
  return (
    <>
      <FieldOf {...common} field="x" label="Across" low={-2000} high={2000} unit="px" />
      <FieldOf {...common} field="y" label="Down" low={-2000} high={2000} unit="px" />
      <FieldOf {...common} field="turnDeg" label="Turn" low={-180} high={180} unit="°" initial={0} />
    </>
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
      className="w-[200px] text-large"
      onChange={(next) => studio.set('Rename', collection, ids[0], { name: next })}
    />
  );
}
