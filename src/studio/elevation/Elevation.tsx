'use client';
import { Eye, EyeOff, Focus, Lock, LockOpen, Plus, type LucideIcon } from 'lucide-react';
import { inOrder } from '@/core/scene/document';
import { useDesk, useScene, useStudio } from '../context';
import { toggled } from '../store/desk-store';
import { LightDots, SpanBars } from './LightDots';
import { OccluderPosts } from './OccluderPosts';
import { addPlane } from './planes';

/** The scene from the side: planes as lines in their order, lights as dots at their height, a bar for each span, occluders as posts. */
export function Elevation() {
  const studio = useStudio();
  const planes = useScene((state) => inOrder(state.scene.planes).map(([id, plane]) => ({ id, ...plane })));
  const picked = useScene((state) => state.selection.find((p) => p.collection === 'planes')?.id ?? null);
  const current = useDesk((state) => state.planeId);
  const solo = useDesk((state) => state.soloPlanes);
  return (
    <aside aria-label="Elevation" className="flex min-h-0 flex-col border-r border-line bg-slate">
      <div className="flex items-center justify-between px-2 pt-2">
        <h2 className="text-[14px] tracking-[0.06em] text-dust uppercase">Elevation</h2>
        <button
          type="button"
          aria-label="Add a plane in front"
          title="Add a plane in front"
          className="cursor-pointer p-1 text-brass"
          onClick={() => addPlane(studio, null)}
        >
          <Plus size={14} aria-hidden />
        </button>
      </div>
      <ol className="relative flex min-h-0 flex-1 flex-col overflow-y-auto px-2 pb-2">
        {planes.map((plane) => (
          <li key={plane.id} className="flex min-h-[56px] flex-1 flex-col justify-end border-b border-rail">
            <div data-free className="relative min-h-[20px] flex-1">
              <OccluderPosts planeId={plane.id} />
              <LightDots planeId={plane.id} />
            </div>
            <div className="relative z-10 flex items-center gap-[2px] bg-slate">
              <button
                type="button"
                aria-current={current === plane.id}
                title={plane.name}
                className={`min-w-0 flex-1 cursor-pointer truncate text-left ${plane.hidden ? 'text-dust line-through' : ''} ${picked === plane.id ? 'text-verdigris' : current === plane.id ? 'text-brass' : ''}`}
                onClick={() => {
                  studio.pick({ collection: 'planes', id: plane.id });
                  studio.desk.setState({ planeId: plane.id });
                }}
              >
                {plane.name}
              </button>
              <SmallToggle
                name={`Look at ${plane.name} alone`}
                on={solo.has(plane.id)}
                icons={[Focus, Focus]}
                onPress={() =>
                  studio.desk.setState(({ soloPlanes }) => ({ soloPlanes: toggled(soloPlanes, plane.id) }))
                }
              />
              <SmallToggle
                name={`${plane.hidden ? 'Show' : 'Hide'} ${plane.name}`}
                on={plane.hidden}
                icons={[EyeOff, Eye]}
                onPress={() => studio.set('Hide a plane', 'planes', plane.id, { hidden: !plane.hidden })}
              />
              <SmallToggle
                name={`${plane.locked ? 'Unlock' : 'Lock'} ${plane.name}`}
                on={plane.locked}
                icons={[Lock, LockOpen]}
                onPress={() => studio.set('Lock a plane', 'planes', plane.id, { locked: !plane.locked })}
              />
            </div>
          </li>
        ))}
        <SpanBars />
      </ol>
    </aside>
  );
}

/** A small key with an icon for on and one for off; its words come on hover. */
function SmallToggle({
  name,
  on,
  icons,
  onPress,
}: {
  name: string;
  on: boolean;
  icons: readonly [LucideIcon, LucideIcon];
  onPress(): void;
}) {
  const Icon = icons[on ? 0 : 1];
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      aria-pressed={on}
      className={`cursor-pointer p-px ${on ? 'text-brass' : 'text-dust hover:text-chalk'}`}
      onClick={onPress}
    >
      <Icon size={11} aria-hidden />
    </button>
  );
}
