'use client';
/** Single controls of a field of one or many records. */
import type { CollectionName, RecordOf } from '@/core/scene/records/all-records';
import { Choice, Switch } from '../controls/small';
import { useField, usePlaneOptions } from './use-fields';

type FlagOf<C extends CollectionName> = {
  [F in keyof RecordOf<C>]: RecordOf<C>[F] extends boolean ? F : never;
}[keyof RecordOf<C>] &
  string;

/** Whether something holds for them. */
export function YesOrNo<C extends CollectionName>({
  collection,
  ids,
  field,
  label,
}: {
  collection: C;
  ids: readonly string[];
  field: FlagOf<C>;
  label: string;
}) {
  const { value, differs, set } = useField(collection, ids, field, label);
  return (
    <Switch
      label={label}
      on={value as boolean}
      words={['yes', 'no']}
      differs={differs}
      onChange={(on) => set(on as typeof value)}
    />
  );
}

/** The plane that they stand on. */
export function PlaneChoice({
  collection,
  ids,
}: {
  collection: 'sprites' | 'lamps' | 'occluders';
  ids: readonly string[];
}) {
  const { value, differs, set } = useField(collection, ids, 'planeId', 'Put on a plane');
  return <Choice label="Plane" value={value} differs={differs} options={usePlaneOptions()} onChange={set} />;
}
