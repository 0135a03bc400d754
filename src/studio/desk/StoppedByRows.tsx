'use client';
import type { FoundOccluders } from '@/core/moment/occluders';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { Light } from '@/core/scene/records/light';
import { Choice, Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { useField } from './use-fields';

const SPAN = 'span';

/** What stops a light: the occluders of its span, or those of one plane or set; and how many there are. */
export function StoppedByRows({ ids }: { ids: string[] }) {
  const stopped = useField('lights', ids, 'stoppedBy', 'Stopped by');
  const planes = useScene(({ scene }) => inOrder(scene.planes).map(([id, { name }]) => [id, name] as const));
  const sets = useScene(({ scene }) => inOrder(scene.sets).map(([id, { name }]) => [id, name] as const));
  const { value } = stopped;
  const named = value && [
    ...value.planeIds.map((id) => `plane ${id}`),
    ...value.setIds.map((id) => `set ${id}`),
  ];
  const chosen = !named ? SPAN : named.length === 1 ? named[0] : 'several';
  const choose = (option: string) => {
    if (option === SPAN) return stopped.set(null);
    const [kind, id] = option.split(' ');
    stopped.set(kind === 'plane' ? { planeIds: [id], setIds: [] } : { planeIds: [], setIds: [id] });
  };
  return (
    <>
      <Choice
        label="Stopped by"
        value={chosen}
        differs={stopped.differs}
        options={[
          [SPAN, 'what it reaches'],
          ...(chosen === 'several' ? ([['several', 'several']] as const) : []),
          ...planes.map(([id, name]) => [`plane ${id}`, `only ${name}`] as const),
          ...sets.map(([id, name]) => [`set ${id}`, `only set ${name}`] as const),
        ]}
        onChange={choose}
      />
      <Row label="Meets">
        <Meets ids={ids} />
      </Row>
    </>
  );
}

function Meets({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const count = useScene(({ scene }) => {
    const light = scene.lights[ids[0]];
    return light ? meeting(scene, light, studio.occluders()) : 0;
  });
  return (
    <span className={count === 0 ? 'text-ash' : ''}>{count === 1 ? '1 occluder' : `${count} occluders`}</span>
  );
}

/** How many occluders a light could be stopped by, wherever they stand on their planes. */
function meeting(
  scene: SceneDocument,
  { spanFarId, spanNearId, stoppedBy }: Light,
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
