'use client';
import { useEffect, useRef } from 'react';
import { newFieldOf, type CollectionName, type RecordOf } from '@/core/scene/records/all-records';
import { change } from '@/core/scene/edits';
import { useScene, useStudio } from '../context';
import type { Gesture } from '../store/scene-store';
import type { Studio } from '../store/studio';
import { ValueField, type ValueFieldProps } from './ValueField';

type NumberField<C extends CollectionName> = {
  [K in keyof RecordOf<C>]: RecordOf<C>[K] extends number ? K : never;
}[keyof RecordOf<C>] &
  string;

export interface FieldOfProps<C extends CollectionName> extends Omit<
  ValueFieldProps,
  'value' | 'differs' | 'onPreview' | 'onCommit' | 'onCancel'
> {
  collection: C;
  ids: readonly string[];
  field: NumberField<C>;
}

/** A number of one or many records: one movement changes all of them in one undo step. It is reset to what a new one has. */
export function FieldOf<C extends CollectionName>({ collection, ids, field, ...rest }: FieldOfProps<C>) {
  const studio = useStudio();
  const values = useScene((state) =>
    ids.map(
      (id) =>
        (state.scene[collection][id] as unknown as Record<string, unknown> | undefined)?.[field] as number,
    ),
  );
  const { preview, commit, cancel } = useGesture(studio, rest.label);
  const editsFor = (value: number) => {
    return ids.flatMap(
      (id) => change(studio.scenes.kept, collection, id, { [field]: value } as Partial<RecordOf<C>>) ?? [],
    );
  };
  return (
    <ValueField
      initial={newFieldOf(collection, field) as number | undefined}
      {...rest}
      value={values[0] ?? 0}
      differs={values.some((v) => v !== values[0])}
      onPreview={(value) => preview(editsFor(value))}
      onCommit={(value) => commit(editsFor(value))}
      onCancel={cancel}
    />
  );
}

/** A gesture that opens with its first preview and closes with its commit. What goes away while it is open takes it back. */
export function useGesture(studio: Studio, label: string) {
  const open = useRef<Gesture | null>(null);
  useEffect(() => {
    const own = open;
    return () => own.current?.cancel();
  }, []);
  return {
    preview(edits: Parameters<Gesture['preview']>[0]) {
      open.current ??= studio.scenes.gesture(label);
      open.current.preview(edits);
    },
    commit(edits: Parameters<Gesture['preview']>[0]) {
      if (open.current) {
        open.current.preview(edits);
        open.current.commit();
      } else studio.scenes.transact({ label, edits });
      open.current = null;
    },
    cancel() {
      open.current?.cancel();
      open.current = null;
    },
  };
}
