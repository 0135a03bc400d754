'use client';
import { useScene } from '../context';
import { LightBay } from './LightBay';
import { CueBay } from './CueBay';
import { OccluderBay } from './OccluderBay';
import { PlaneBay } from './PlaneBay';
import { SceneBay } from './SceneBay';
import { SpriteBay } from './SpriteBay';

/** The controls of what is picked; of the scene where nothing is. */
export function Bay() {
  const selection = useScene((state) => state.selection);
  const kinds = new Set(selection.map((picked) => picked.collection));
  const ids = selection.map((picked) => picked.id);
  const [kind] = kinds;
  return (
    <div className="h-full overflow-x-auto overflow-y-auto px-3 pt-1">
      {kinds.size > 1 ? (
        <p className="text-ash">
          {selection.length} things of several kinds are picked: move, duplicate or delete them together, or
          pick one kind to change it.
        </p>
      ) : kind === 'lights' ? (
        <LightBay ids={ids} />
      ) : kind === 'sprites' ? (
        <SpriteBay ids={ids} />
      ) : kind === 'occluders' ? (
        <OccluderBay ids={ids} />
      ) : kind === 'planes' ? (
        <PlaneBay id={ids[0]} />
      ) : kind === 'cues' ? (
        <CueBay id={ids[0]} />
      ) : (
        <SceneBay />
      )}
    </div>
  );
}
