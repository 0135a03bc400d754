/** The look of lights as the bay's columns read and change it: of lights of the scene, or of a part of lamps. */
import { type LightLook, NEW_LOOK } from '@/core/scene/records/light-look';
import type { LightPart } from '@/core/scene/records/luminaire';
import { change, sameValue } from '@/core/scene/edits';
import { flamePartsOf, lightPartsOf } from '@/core/scene/lamp-parts';
import type { SceneDocument } from '@/core/scene/document';
import { lookOf } from '@/core/scene/looks';
import type { Lamp } from '@/core/scene/records/lamp';
import { useGesture } from '../controls/FieldOf';
import { useScene, useStudio } from '../context';
import { type FieldsFor, overrideEdits, partOf } from '../store/lamp-edits';

export interface LookAdapter {
  /** Of the first of them. */
  look: LightLook;
  /** Of all of them. */
  all: readonly LightLook[];
  /** Where a double click leads a value back to. */
  base: LightLook;
  /** Whether several are picked that are not the same in a field. */
  differs(field: keyof LightLook): boolean;
  /** A label, with a star where a lamp has a value of its own. */
  mark(field: keyof LightLook, label: string): string;
  preview(given: FieldsFor<LightLook>): void;
  commit(given: FieldsFor<LightLook>): void;
  cancel(): void;
}

/** Lights of the scene, all of which a change reaches. */
export function useLightLooks(ids: readonly string[]): LookAdapter {
  const studio = useStudio();
  const lights = useScene(({ scene }) => ids.flatMap((id) => scene.lights[id] ?? []));
  const gesture = useGesture(studio, 'Change a light');
  const edits = (given: FieldsFor<LightLook>) =>
    ids.flatMap((id) => {
      const { kept } = studio.scenes;
      const own = kept.lights[id];
      return own ? (change(kept, 'lights', id, typeof given === 'function' ? given(own) : given) ?? []) : [];
    });
  const look = lights[0] ?? NEW_LOOK;
  return {
    look,
    all: lights,
    base: NEW_LOOK,
    differs: (field) => lights.some((light) => !sameValue(light[field], look[field])),
    mark: (_, label) => label,
    preview: (given) => gesture.preview(edits(given)),
    commit: (given) => gesture.commit(edits(given)),
    cancel: gesture.cancel,
  };
}

/** Changes of a part for these lamps alone; a star marks what they override. */
export function useOverride<T extends { id: string }>(ids: readonly string[], part: T) {
  const studio = useStudio();
  const gesture = useGesture(studio, 'Change a lamp');
  const base = useScene(({ scene }) =>
    scene.lamps[ids[0]] ? (partOf(scene, scene.lamps[ids[0]], part.id) as T | undefined) : undefined,
  );
  const own = useScene(({ scene }) => Object.keys(scene.lamps[ids[0]]?.overrides[part.id] ?? {}));
  const all = useScene(({ scene }) =>
    ids.flatMap((id) => {
      const shown = scene.lamps[id] && shownPart(scene, scene.lamps[id], part.id);
      return shown ? [shown as unknown as T] : [];
    }),
  );
  const edits = (given: FieldsFor<T>) => overrideEdits(studio.scenes.kept, [...ids], part.id, given);
  return {
    base,
    all,
    differs: (field: keyof T) => all.some((one) => !sameValue(one[field], part[field])),
    mark: (field: string, label: string) => (own.includes(field) ? `${label} *` : label),
    preview: (given: FieldsFor<T>) => gesture.preview(edits(given)),
    commit: (given: FieldsFor<T>) => gesture.commit(edits(given)),
    cancel: gesture.cancel,
  };
}

function shownPart(scene: SceneDocument, lamp: Lamp, partId: string) {
  return [...lightPartsOf(scene, lamp), ...flamePartsOf(scene, lamp)].find(({ id }) => id === partId);
}

/** A light of lamps, which keep what differs from their luminaire. */
export function usePartLook(ids: readonly string[], part: LightPart): LookAdapter {
  const { base, ...override } = useOverride(ids, part);
  return { ...override, look: part, base: base ? lookOf(base) : NEW_LOOK };
}
