'use client';
import { Plus } from 'lucide-react';
import { inOrder } from '@/core/scene/document';
import { useDesk, useScene, useStudio } from '../context';
import { planeMarks, stripRows } from './marks-of';
import { PlaneName } from './PlaneName';
import { addPlane } from './planes';
import { highestOf, rulerUpTo } from './ruler';
import { SpanBars } from './SpanBars';
import { Strip } from './Strip';

/**
 * The scene from the side: planes as lines in their order, lights as dots at their height, a bar for each span, occluders as
 * posts. Across it everything stands as it does across the gate.
 */
export function Elevation() {
  const studio = useStudio();
  const planes = useScene((state) => inOrder(state.scene.planes).map(([id, plane]) => ({ id, plane })));
  const partId = useDesk((state) => state.partId);
  const marks = useScene(({ scene, selection }) =>
    planeMarks(scene, new Set(selection.map(({ id }) => id)), partId),
  );
  const highest = useScene(({ scene }) => highestOf(scene));
  const ruler = rulerUpTo(highest);
  const rows = stripRows(marks);
  return (
    <aside aria-label="Elevation" className="flex min-h-0 min-w-0 flex-col bg-slate">
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
      <div className="min-h-0 flex-1 overflow-y-auto px-1 pb-2 [scrollbar-width:thin]">
        <div data-rows className="relative h-full" style={{ minHeight: rows.neededPx }}>
          <ol className="h-full">
            {planes.map(({ id, plane }, at) => (
              <li
                key={id}
                style={{ height: `${((rows.ends[at + 1] ?? 1) - (rows.ends[at] ?? 1)) * 100}%` }}
                className="flex flex-col justify-end border-b border-rail"
              >
                <div data-free className="relative min-h-0 flex-1">
                  {marks[at]?.planeId === id && <Strip marks={marks[at]} ruler={ruler} />}
                </div>
                <PlaneName id={id} plane={plane} at={at} rows={rows} />
              </li>
            ))}
          </ol>
          <SpanBars marks={marks.flatMap(({ lights }) => lights)} rows={rows} />
        </div>
      </div>
      <div className="figure px-2 pb-1 text-ash" title="The height at the top of each strip, above its plane">
        up to {ruler.topPx} px
      </div>
    </aside>
  );
}
