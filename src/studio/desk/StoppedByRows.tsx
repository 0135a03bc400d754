'use client';
import type { FoundOccluders } from '@/core/moment/occluders';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { Fixture } from '@/core/scene/records/fixture';
import { Choice, Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import type { FixtureCollection } from '../store/fixtures';
import { useField } from './use-fields';

/** What stops lights or lamps: the occluders of the planes that they light, or those of chosen planes and sets; and how many those are. */
export function StoppedByRows({ collection, ids }: { collection: FixtureCollection; ids: string[] }) {
  const stopped = useField(collection, ids, 'stoppedBy', 'Stopped by');
  const { value } = stopped;
  return (
    <>
      <Choice
        label="Stopped by"
        value={value ? 'chosen' : 'span'}
        differs={stopped.differs}
        options={[
          ['span', 'all on planes lit'],
          ['chosen', 'only …'],
        ]}
        onChange={(option) => stopped.set(option === 'span' ? null : (value ?? { planeIds: [], setIds: [] }))}
      />
      {value && !stopped.differs && <Named named={value} onChange={stopped.set} />}
      <Row label="Occluders">
        <Count collection={collection} id={ids[0]} />
      </Row>
    </>
  );
}

type NamedOccluders = NonNullable<Fixture['stoppedBy']>;

/** Every plane and set, to be named or not. */
function Named({ named, onChange }: { named: NamedOccluders; onChange(named: NamedOccluders): void }) {
  const planes = useScene(({ scene }) => inOrder(scene.planes).map(([id, { name }]) => [id, name] as const));
  const sets = useScene(({ scene }) => inOrder(scene.sets).map(([id, { name }]) => [id, name] as const));
  const one = (field: keyof NamedOccluders, id: string, words: string) => {
    const isNamed = named[field].includes(id);
    return (
      <button
        key={id}
        type="button"
        aria-pressed={isNamed}
        className={`cursor-pointer border-b ${isNamed ? 'border-verdigris text-chalk' : 'border-transparent text-ash'}`}
        onClick={() =>
          onChange({
            ...named,
            [field]: isNamed ? named[field].filter((other) => other !== id) : [...named[field], id],
          })
        }
      >
        {words}
      </button>
    );
  };
  return (
    <div
      role="group"
      aria-label="Planes and sets that stop it"
      className="flex flex-wrap justify-end gap-x-2"
    >
      {planes.map(([id, name]) => one('planeIds', id, name))}
      {sets.map(([id, name]) => one('setIds', id, `set ${name}`))}
    </div>
  );
}

function Count({ collection, id }: { collection: FixtureCollection; id: string }) {
  const studio = useStudio();
  const count = useScene(({ scene }) => {
    const fixture = scene[collection][id] as Fixture | undefined;
    return fixture ? stoppingCount(scene, fixture, studio.occluders()) : 0;
  });
  return <span className={`figure ${count === 0 ? 'text-ash' : ''}`}>{count}</span>;
}

/** How many occluders a light could be stopped by, wherever they stand on their planes. */
function stoppingCount(
  scene: SceneDocument,
  { spanFarId, spanNearId, stoppedBy }: Fixture,
  { occluders, sources }: FoundOccluders,
): number {
  const farToNear = inOrder(scene.planes).map(([id]) => id);
  const low = spanFarId === null ? 0 : farToNear.indexOf(spanFarId);
  const high = spanNearId === null ? farToNear.length - 1 : farToNear.indexOf(spanNearId);
  return occluders.filter(({ plane }, i) => {
    if (!stoppedBy) return plane >= Math.min(low, high) && plane <= Math.max(low, high);
    const { planeId, setIds } = sources[i];
    return stoppedBy.planeIds.includes(planeId) || setIds.some((id) => stoppedBy.setIds.includes(id));
  }).length;
}
