'use client';
/** The contact sheet of looks: this moment under each; hover shows one on the stage, a press takes it. */
import { useEffect, useRef, type DragEvent, type ReactNode } from 'react';
import type { LookFields } from '@/core/scene/records/look';
import { useScene, useStudio } from '../context';
import { drag } from '../shelf/drops';
import type { WantedPicture } from '../store/gate-sheet';
import { lookNow, looksToTake, takeLook } from '../store/looks';
import { useDayNow } from '../time/use-day-now';
import { SHEET_SIDE_PX, SheetPicture } from './SheetPicture';

/** Looks at which no finish is shown: the art as light alone leaves it. */
const NONE = { key: 'look none', name: 'No look' };
const keyOf = (lookId: string) => `look ${lookId}`;

export function LookSheet({ className }: { className: string }) {
  const studio = useStudio();
  useScene(({ scene }) => scene.looks);
  const taken = useDayNow(() => lookNow(studio));
  const looks = looksToTake(studio);
  const wanted = looks.map(({ id, fields }): WantedPicture => ({
    key: keyOf(id),
    passing: { finish: fields },
    sidePx: SHEET_SIDE_PX,
  }));
  const owner = useRef({});
  useEffect(() => {
    const without = { key: NONE.key, passing: { finish: 'none' as const }, sidePx: SHEET_SIDE_PX };
    return studio.gateSheet.want(owner.current, [without, ...wanted]);
  });
  // What was tried goes when the sheet does.
  useEffect(() => () => studio.desk.setState({ triedLook: null }), [studio]);
  return (
    <ul
      aria-label="Contact sheet of looks"
      className={`flex flex-wrap content-start gap-[6px] overflow-y-auto [scrollbar-width:thin] ${className}`}
    >
      <SheetItem
        name={NONE.name}
        isTaken={taken === null}
        tried={null}
        onTake={() => takeLook(studio, null)}
        picture={<SheetPicture picture={NONE.key} name={NONE.name} />}
      />
      {looks.map(({ id, name, fields }) => (
        <SheetItem
          key={id}
          name={name}
          isTaken={id === taken}
          tried={fields}
          onDrag={drag('look', id)}
          onTake={() => takeLook(studio, id)}
          picture={<SheetPicture picture={keyOf(id)} name={name} />}
        />
      ))}
    </ul>
  );
}

function SheetItem({
  name,
  isTaken,
  tried,
  onDrag,
  onTake,
  picture,
}: {
  name: string;
  isTaken: boolean;
  /** What the stage shows while it is under the pointer, or has the keys. */
  tried: LookFields | null;
  /** Begins to drag it to the stage. */
  onDrag?(event: DragEvent): void;
  onTake(): void;
  picture: ReactNode;
}) {
  const studio = useStudio();
  const show = (triedLook: LookFields | null) => studio.desk.setState({ triedLook });
  return (
    <li>
      <button
        type="button"
        draggable={onDrag !== undefined}
        onDragStart={onDrag}
        aria-label={name}
        aria-pressed={isTaken}
        className={`block w-[99px] cursor-pointer border text-left ${isTaken ? 'border-verdigris' : 'border-line hover:border-rail'}`}
        onPointerEnter={() => show(tried)}
        onPointerLeave={() => show(null)}
        onFocus={(event) => event.currentTarget.matches(':focus-visible') && show(tried)}
        onBlur={() => show(null)}
        onClick={onTake}
      >
        {picture}
        <span className="block truncate px-1 text-small" title={name}>
          {name}
        </span>
      </button>
    </li>
  );
}
