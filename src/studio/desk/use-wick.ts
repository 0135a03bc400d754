'use client';
import { change } from '@/core/scene/edits';
import type { Wick } from '@/core/scene/records/wick';
import { useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import type { WickFieldsProps } from './WickFields';

/** A wick of the scene as its fields read and change it, its ranges in the units of a light on it; null where it is gone. */
export function useWick(wickId: string | null, lightId: string): WickFieldsProps | null {
  const studio = useStudio();
  const wick = useScene(({ scene }) => (wickId === null ? undefined : scene.wicks[wickId]));
  const level = useScene((state) => state.scene.lights[lightId]?.level ?? 1);
  const reachPx = useScene((state) => state.scene.lights[lightId]?.reachPx ?? 100);
  const gesture = useGesture(studio, 'Change a wick');
  if (!wick || wickId === null) return null;
  const edits = (fields: Partial<Wick>) => [change(studio.scenes.kept, 'wicks', wickId, fields) ?? []].flat();
  return {
    ...{ wick, level, reachPx },
    preview: (fields) => gesture.preview(edits(fields)),
    commit: (fields) => gesture.commit(edits(fields)),
    cancel: gesture.cancel,
  };
}
