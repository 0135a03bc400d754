'use client';
import { clockText } from '@/core/time/cues';
import { BayColumns } from '../controls/BayColumns';
import { useScene } from '../context';
import { CueColumns } from '../time/CueColumns';

/** A cue where it is picked on the stage. */
export function CueBay({ id }: { id: string }) {
  const hours = useScene(({ scene }) => scene.cues[id]?.clockHours ?? null);
  if (hours === null) return null;
  return (
    <BayColumns
      title={
        <p className="text-large">
          Cue at {clockText(hours)}{' '}
          <span className="text-plain text-ash">the look of the scene at this hour</span>
        </p>
      }
    >
      <CueColumns id={id} />
    </BayColumns>
  );
}
