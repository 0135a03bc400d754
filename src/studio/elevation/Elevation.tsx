'use client';
import { useRef, type PointerEvent } from 'react';
import { inOrder } from '@/core/scene/document';
import { change } from '@/core/scene/edits';
import { useDesk, useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import { toggled } from '../store/desk-store';
import { addPlane } from './planes';

/** Height over the plane at the top of a plane's strip, scene px; lamps above it stand at the top. */
const STRIP_TOP_PX = 96;

/** The scene from the side: planes as lines in their order, lights as dots at their height, a bar for each span. */
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
          className="cursor-pointer px-1 text-brass"
          onClick={() => addPlane(studio, null)}
        >
          +
        </button>
      </div>
      <ol className="relative flex min-h-0 flex-1 flex-col overflow-y-auto px-2 pb-2">
        {planes.map((plane) => (
          <li key={plane.id} className="flex min-h-[56px] flex-1 flex-col justify-end border-b border-rail">
            <LightDots planeId={plane.id} />
            <div className="relative z-10 flex items-center gap-1 bg-slate">
              <button
                type="button"
                aria-current={current === plane.id}
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
                words="S"
                onPress={() =>
                  studio.desk.setState(({ soloPlanes }) => ({ soloPlanes: toggled(soloPlanes, plane.id) }))
                }
              />
              <SmallToggle
                name={`Hide ${plane.name}`}
                on={plane.hidden}
                words="H"
                onPress={() => studio.set('Hide a plane', 'planes', plane.id, { hidden: !plane.hidden })}
              />
              <SmallToggle
                name={`Lock ${plane.name}`}
                on={plane.locked}
                words="L"
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

function SmallToggle({
  name,
  on,
  words,
  onPress,
}: {
  name: string;
  on: boolean;
  words: string;
  onPress(): void;
}) {
  return (
    <button
      type="button"
      aria-label={name}
      aria-pressed={on}
      className={`figure cursor-pointer px-[2px] ${on ? 'text-brass' : 'text-dust'}`}
      onClick={onPress}
    >
      {words}
    </button>
  );
}

function LightDots({ planeId }: { planeId: string }) {
  const studio = useStudio();
  const strip = useRef<HTMLDivElement>(null);
  const dragged = useRef<string | null>(null);
  const gesture = useGesture(studio, 'Height');
  const lights = useScene((state) =>
    inOrder(state.scene.lights).flatMap(([id, light], index) =>
      light.planeId === planeId ? [{ id, index, ...light }] : [],
    ),
  );
  const isPicked = useScene((state) => state.selection.map((p) => p.id));
  const editsAt = (id: string, clientY: number) => {
    const box = strip.current!.getBoundingClientRect();
    const heightPx = Math.max(0, Math.round(((box.bottom - clientY) / box.height) * STRIP_TOP_PX));
    const edit = change(studio.scenes.kept, 'lights', id, { heightPx });
    return edit ? [edit] : [];
  };
  const move = (event: PointerEvent, id: string) => {
    if (!(event.buttons & 1)) return;
    dragged.current = id;
    gesture.preview(editsAt(id, event.clientY));
  };
  return (
    <div ref={strip} className="relative min-h-[20px] flex-1">
      {lights.map(({ id, index, name, colour, heightPx }) => (
        <button
          key={id}
          type="button"
          aria-label={`${name}, ${heightPx} px above its plane`}
          title={`${name}: ${heightPx} px`}
          className={`absolute size-[9px] -translate-x-1/2 translate-y-1/2 rotate-45 cursor-ns-resize touch-none border ${isPicked.includes(id) ? 'border-verdigris' : 'border-soot'}`}
          style={{
            left: spanX(index),
            bottom: `${Math.min(1, heightPx / STRIP_TOP_PX) * 86}%`,
            background: colour,
          }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            studio.pick({ collection: 'lights', id });
          }}
          onPointerMove={(event) => move(event, id)}
          onPointerUp={(event) => {
            if (dragged.current === id) gesture.commit(editsAt(id, event.clientY));
            dragged.current = null;
          }}
        />
      ))}
    </div>
  );
}

function spanX(index: number): string {
  return `${10 + ((index * 17) % 78)}px`;
}

/** A hair line for each light, from the farthest to the nearest plane that it reaches. */
function SpanBars() {
  const bars = useScene(({ scene }) => {
    const row = inOrder(scene.planes).map(([id]) => id);
    return inOrder(scene.lights).map(([id, light], index) => {
      const far = light.spanFarId === null ? 0 : Math.max(0, row.indexOf(light.spanFarId));
      const near = light.spanNearId === null ? row.length - 1 : row.indexOf(light.spanNearId);
      return {
        id,
        index,
        colour: light.colour,
        top: (far / row.length) * 100,
        height: ((near - far + 1) / row.length) * 100,
      };
    });
  });
  return (
    <>
      {bars.map(({ id, index, colour, top, height }) => (
        <span
          key={id}
          aria-hidden
          className="pointer-events-none absolute w-px opacity-60"
          style={{
            left: `calc(8px + ${spanX(index)})`,
            top: `${top + 4}%`,
            height: `${Math.max(2, height - 8)}%`,
            background: colour,
          }}
        />
      ))}
    </>
  );
}
