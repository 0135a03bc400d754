'use client';
/** One row of the wiring. */
import { inOrder } from '@/core/scene/document';
import { change } from '@/core/scene/edits';
import type { Fixture } from '@/core/scene/records/fixture';
import { Select } from '../controls/Select';
import { useScene, useStudio } from '../context';
import type { FixtureName } from '../store/fixtures';
import type { CellState, WiringColumn } from '../lights/wiring-columns';
import type { WiredName } from '../store/wiring-rows';

export const CELL_PX = 22;

const STATE_WORDS: Record<CellState, string> = {
  on: 'yes',
  plane: 'yes, as its plane',
  some: 'some of its lights',
  off: 'no',
};

export function WiringLine({ name, columns }: { name: WiredName; columns: readonly WiringColumn[] }) {
  const studio = useStudio();
  const { collection, id } = name;
  const words = useScene(({ scene }) => scene[collection][id]?.name ?? null);
  const isPicked = useScene(({ selection }) => selection.some((one) => one.id === id));
  const states = useScene(({ scene }) =>
    scene[collection][id]
      ? columns.map((column) => (column.isFor(collection) ? column.stateOf(scene, name) : null))
      : [],
  );
  if (words === null || states.length !== columns.length) return null;
  return (
    <>
      <button
        type="button"
        title={words}
        className={`w-[150px] shrink-0 cursor-pointer truncate text-left ${isPicked ? 'text-verdigris' : ''}`}
        onClick={(event) => {
          const others = event.shiftKey ? studio.scenes.state.selection : [];
          studio.pick(...others, name);
        }}
      >
        {words}
      </button>
      {columns.map((column, i) => (
        <span
          key={column.key}
          className={`flex shrink-0 ${column.group !== columns[i - 1]?.group && i > 0 ? 'ml-3' : ''}`}
          style={{ width: CELL_PX }}
        >
          {states[i] !== null && (
            <button
              type="button"
              aria-label={`${words}, ${column.title}`}
              aria-pressed={states[i] === 'some' ? 'mixed' : states[i] !== 'off'}
              title={`${words}, ${column.title}: ${STATE_WORDS[states[i]]}`}
              data-cell={`${collection} ${id} ${column.key}`}
              className="m-[2px] flex flex-1 cursor-pointer items-center justify-center border border-line hover:border-ash"
              onClick={({ detail }) => {
                if (detail !== 0) return;
                const isOn = column.wants(states[i]!);
                studio.scenes.transact({
                  label: column.title,
                  edits: column.edits(studio.scene, name, isOn),
                });
              }}
            >
              <Sign state={states[i]} />
            </button>
          )}
        </span>
      ))}
      {(collection === 'lights' || collection === 'lamps') && <Span name={{ collection, id }} />}
      {collection === 'sprites' && <PlanesKey id={id} />}
    </>
  );
}

/** Filled is its own, a ring is its plane's, half is some. */
function Sign({ state }: { state: CellState }) {
  if (state === 'off') return null;
  return (
    <span
      aria-hidden
      className={`block size-[9px] ${{ on: 'bg-brass', plane: 'border-2 border-brass/60', some: 'h-[4px] bg-brass' }[state]}`}
    />
  );
}

/** The farthest and the nearest plane that a light reaches; of a picked one it is set for all that are picked. */
function Span({ name }: { name: FixtureName }) {
  const studio = useStudio();
  const planes = useScene(({ scene }) =>
    inOrder(scene.planes).map(([id, plane]) => [id, plane.name] as const),
  );
  const fixture = useScene(({ scene }): Fixture | undefined => scene[name.collection][name.id]);
  if (!fixture) return null;
  const set = (fields: Partial<Pick<Fixture, 'spanFarId' | 'spanNearId'>>) => {
    const { scene, scenes } = studio;
    const picked = scenes.state.selection.filter(
      (one): one is FixtureName => one.collection === 'lights' || one.collection === 'lamps',
    );
    const all = picked.some(({ id }) => id === name.id) ? picked : [name];
    scenes.transact({
      label: 'Span',
      edits: all.flatMap(({ collection, id }) => change(scene, collection, id, fields) ?? []),
    });
  };
  const choice = (
    label: string,
    value: string | null,
    open: string,
    onChange: (id: string | null) => void,
  ) => (
    <Select
      label={`${fixture.name}, ${label}`}
      value={value ?? ''}
      options={[['', open], ...planes]}
      className="w-[97px]"
      onChange={(id) => onChange(id || null)}
    />
  );
  return (
    <span className="ml-3 flex shrink-0 gap-1">
      {choice('from the plane', fixture.spanFarId, 'farthest', (spanFarId) => set({ spanFarId }))}
      {choice('to the plane', fixture.spanNearId, 'nearest', (spanNearId) => set({ spanNearId }))}
    </span>
  );
}

/** A sprite with circuits of its own can go back to its plane's. */
function PlanesKey({ id }: { id: string }) {
  const studio = useStudio();
  const isOwn = useScene(({ scene }) => (scene.sprites[id]?.circuitIds ?? null) !== null);
  const planeName = useScene(({ scene }) => scene.planes[scene.sprites[id]?.planeId]?.name ?? '');
  return isOwn ? (
    <button
      type="button"
      className="ml-3 cursor-pointer truncate text-brass"
      onClick={() => studio.set('Circuits of the plane', 'sprites', id, { circuitIds: null })}
    >
      Back to the circuits of {planeName}
    </button>
  ) : (
    <span className="ml-3 truncate text-ash">as its plane, {planeName}</span>
  );
}
