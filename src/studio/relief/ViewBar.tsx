'use client';
import { useStore } from 'zustand';
import { wordsOf } from '@/core/faults';
import { useScene, useStudio } from '../context';
import { Key } from '../controls/small';
import { applyRecipe } from '../store/relief-batch';
import {
  RELIEF_SIDES,
  RELIEF_VIEWS,
  SIDE_WORDS,
  VIEW_WORDS,
  type ReliefSide,
  type ReliefView,
} from '../store/relief-bench';
import { LampMenu } from './LampMenu';

/** What the view shows, what the wipe compares it with, the lamp, and what has no relief yet. */
export function ViewBar({ artworkId, bareIds }: { artworkId: string | null; bareIds: readonly string[] }) {
  const studio = useStudio();
  const view = useStore(studio.reliefBench, (state) => state.view);
  const wipe = useStore(studio.reliefBench, (state) => state.wipe);
  const isImported = useScene((state) =>
    artworkId === null ? false : (state.scene.reliefs[artworkId]?.normals ?? null) !== null,
  );
  const sides = RELIEF_SIDES.filter((side) => side !== 'now' && (side !== 'imported' || isImported));
  const chosen = wipe === null ? '' : `${wipe.view}/${wipe.side}`;
  return (
    <div className="pointer-events-none absolute inset-x-3 top-3 flex items-start justify-between gap-3">
      <div role="radiogroup" aria-label="View" className="pointer-events-auto flex">
        {RELIEF_VIEWS.map((name) => (
          <button
            key={name}
            type="button"
            role="radio"
            aria-checked={view === name}
            className="key -ml-px"
            data-picked={view === name}
            onClick={() => studio.reliefBench.setState({ view: name })}
          >
            {VIEW_WORDS[name]}
          </button>
        ))}
      </div>
      <div className="pointer-events-auto flex gap-1">
        {bareIds.length > 0 && (
          <Key
            title="Suggests a recipe for each artwork that has no relief, and makes it"
            onClick={() =>
              applyRecipe(studio, `Make missing: ${bareIds.length}`, bareIds, null).catch((thrown: unknown) =>
                studio.say(wordsOf(thrown)),
              )
            }
          >
            Make missing: {bareIds.length}
          </Key>
        )}
        <select
          aria-label="Wipe"
          className="key max-w-[210px] bg-iron"
          title="Compare under a movable edge (V)"
          value={chosen}
          onChange={(event) => {
            const [of, side] = event.currentTarget.value.split('/') as [ReliefView, ReliefSide];
            studio.reliefBench.setState({ wipe: side ? { view: of, side } : null });
          }}
        >
          <option value="" className="bg-slate">
            Wipe
          </option>
          <optgroup label="This relief as" className="bg-slate">
            {RELIEF_VIEWS.filter((name) => name !== view).map((name) => (
              <option key={name} value={`${name}/now`}>
                {VIEW_WORDS[name]}
              </option>
            ))}
          </optgroup>
          <optgroup label={`${VIEW_WORDS[view]} of another`} className="bg-slate">
            {sides.map((side) => (
              <option key={side} value={`${view}/${side}`}>
                {SIDE_WORDS[side]}
              </option>
            ))}
          </optgroup>
        </select>
        <LampMenu />
      </div>
    </div>
  );
}
