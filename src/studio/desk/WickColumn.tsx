'use client';
import { change } from '@/core/scene/edits';
import type { Wick } from '@/core/scene/records/wick';
import { useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import { WickFields } from './WickFields';
import { WickTrace } from './WickTrace';

/** A wick of the scene, its ranges in the unit of a light on it, with the curve running. */
export function WickColumn({ wickId, lightId }: { wickId: string; lightId: string }) {
  const studio = useStudio();
  const wick = useScene((state) => state.scene.wicks[wickId]);
  const level = useScene((state) => state.scene.lights[lightId]?.level ?? 1);
  const reachPx = useScene((state) => state.scene.lights[lightId]?.reachPx ?? 1);
  const gesture = useGesture(studio, 'Change a wick');
  if (!wick) return null;
  const edits = (fields: Partial<Wick>) => change(studio.scenes.kept, 'wicks', wickId, fields) ?? [];
  return (
    <>
      <WickTrace lightId={lightId} seconds={4} className="my-[2px] h-[24px] w-full shrink-0" />
      <WickFields
        wick={wick}
        level={level}
        reachPx={reachPx}
        preview={(fields) => gesture.preview([edits(fields)].flat())}
        commit={(fields) => gesture.commit([edits(fields)].flat())}
        cancel={gesture.cancel}
      />
    </>
  );
}
