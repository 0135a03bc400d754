/** Lights and lamps in the elevation: at their height over their plane, with a bar for the planes that they light. */
import { useRef, type PointerEvent } from 'react';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { Fixture } from '@/core/scene/records/fixture';
import { useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import { chosenPart, lightEdits, lightOf, type LightName } from '../lights/picked-light';
import { FIXTURES, type FixtureCollection } from '../tools/hits';

/** Height over the plane at the top of a plane's strip, scene px; what is above it stands at the top. */
export const STRIP_TOP_PX = 96;

interface Dot extends LightName {
  collection: FixtureCollection;
  name: string;
  planeId: string;
  colour: string;
  heightPx: number;
  /** Where it stands across. */
  left: string;
  fixture: Fixture;
}

/** All lights, and of each lamp its first one. */
function dotsOf(scene: SceneDocument): Dot[] {
  const all = FIXTURES.flatMap((collection) =>
    inOrder<Fixture>(scene[collection]).map(([id, fixture]) => ({ collection, id, fixture })),
  );
  return all.flatMap(({ collection, id, fixture }, index) => {
    const partId = collection === 'lamps' ? (chosenPart(scene, id, null)?.id ?? null) : null;
    if (collection === 'lamps' && partId === null) return [];
    const { colour, heightPx } = lightOf(scene, { id, partId })!;
    const left = `${10 + ((index * 17) % 70)}px`;
    const { name, planeId } = fixture;
    return [{ collection, id, partId, name, planeId, colour, heightPx, left, fixture }];
  });
}

export function LightDots({ planeId }: { planeId: string }) {
  const studio = useStudio();
  const strip = useRef<HTMLDivElement>(null);
  const dragged = useRef<string | null>(null);
  const gesture = useGesture(studio, 'Height');
  const dots = useScene(({ scene }) => dotsOf(scene).filter((dot) => dot.planeId === planeId));
  const isPicked = useScene((state) => state.selection.map((p) => p.id));
  const editsAt = (dot: Dot, clientY: number) => {
    const box = strip.current!.getBoundingClientRect();
    const heightPx = Math.max(0, Math.round(((box.bottom - clientY) / box.height) * STRIP_TOP_PX));
    return lightEdits(studio.scenes.kept, dot, { heightPx });
  };
  const move = (event: PointerEvent, dot: Dot) => {
    if (!(event.buttons & 1)) return;
    dragged.current = dot.id;
    gesture.preview(editsAt(dot, event.clientY));
  };
  return (
    <div ref={strip} className="pointer-events-none absolute inset-0">
      {dots.map((dot) => (
        <button
          key={dot.id}
          type="button"
          aria-label={`${dot.name}, ${dot.heightPx} px above its plane`}
          title={`${dot.name}: ${dot.heightPx} px`}
          className={`pointer-events-auto absolute size-[9px] -translate-x-1/2 translate-y-1/2 rotate-45 cursor-ns-resize touch-none border ${isPicked.includes(dot.id) ? 'border-verdigris' : 'border-soot'}`}
          style={{
            left: dot.left,
            bottom: `${Math.min(1, dot.heightPx / STRIP_TOP_PX) * 86}%`,
            background: dot.colour,
          }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            studio.pick({ collection: dot.collection, id: dot.id });
          }}
          onPointerMove={(event) => move(event, dot)}
          onPointerUp={(event) => {
            if (dragged.current === dot.id) gesture.commit(editsAt(dot, event.clientY));
            dragged.current = null;
          }}
          onPointerCancel={() => {
            gesture.cancel();
            dragged.current = null;
          }}
        />
      ))}
    </div>
  );
}

/** A hair line for each light, from the farthest to the nearest plane that it lights. */
export function SpanBars() {
  const bars = useScene(({ scene }) => {
    const row = inOrder(scene.planes).map(([id]) => id);
    return dotsOf(scene).map(({ id, colour, left, fixture }) => {
      const far = fixture.spanFarId === null ? 0 : Math.max(0, row.indexOf(fixture.spanFarId));
      const near = fixture.spanNearId === null ? row.length - 1 : row.indexOf(fixture.spanNearId);
      return {
        ...{ id, left, colour },
        top: (Math.min(far, near) / row.length) * 100,
        height: ((Math.abs(near - far) + 1) / row.length) * 100,
      };
    });
  });
  return bars.map(({ id, left, colour, top, height }) => (
    <span
      key={id}
      aria-hidden
      className="pointer-events-none absolute w-px opacity-60"
      style={{
        left: `calc(8px + ${left})`,
        top: `${top + 4}%`,
        height: `${Math.max(2, height - 8)}%`,
        background: colour,
      }}
    />
  ));
}
