import { inOrder } from '@/core/scene/document';
import type { CollectionName, RecordOf } from '@/core/scene/records/all-records';
import { change, sameValue } from '@/core/scene/edits';
import { useGesture } from '../controls/FieldOf';
import { useScene, useStudio } from '../context';

/** The planes by id and name, far to near, as a choice offers them. */
export function usePlaneOptions(): (readonly [string, string])[] {
  return useScene(({ scene }) => inOrder(scene.planes).map(([id, { name }]) => [id, name] as const));
}

/** Records by name, as a choice offers them. */
export function inOrderOfName<T extends { name: string }>(
  records: Readonly<Record<string, T>>,
): [string, T][] {
  return Object.entries(records).sort(([, a], [, b]) => a.name.localeCompare(b.name));
}

/** The artworks that are not in the bin, by name. */
export function useArtworkOptions(): (readonly [string, string])[] {
  return useScene(({ scene }) =>
    inOrderOfName(scene.artworks).flatMap(([id, { name, binned }]) => (binned ? [] : [[id, name] as const])),
  );
}

/**
 * One field of one or many records that is no number: its value, whether values differ, and setters that change all
 * of them in one undo step.
 */
export function useField<C extends CollectionName, F extends keyof RecordOf<C> & string>(
  collection: C,
  ids: readonly string[],
  field: F,
  label: string,
) {
  const studio = useStudio();
  const values = useScene((state) =>
    ids.map((id) => (state.scene[collection][id] as RecordOf<C> | undefined)?.[field]),
  );
  const gesture = useGesture(studio, label);
  const editsFor = (value: RecordOf<C>[F]) =>
    ids.flatMap(
      (id) =>
        change(studio.scenes.kept, collection, id, { [field]: value } as unknown as Partial<RecordOf<C>>) ??
        [],
    );
  return {
    value: values[0] as RecordOf<C>[F],
    differs: values.some((v) => !sameValue(v, values[0])),
    set: (value: RecordOf<C>[F]) => gesture.commit(editsFor(value)),
    preview: (value: RecordOf<C>[F]) => gesture.preview(editsFor(value)),
    cancel: gesture.cancel,
  };
}
