'use client';
/** A plane's name, and what it is switched by; dragged up and down it changes its place in the row. */
import { Eye, EyeOff, Focus, Lock, LockOpen, type LucideIcon } from 'lucide-react';
import { useRef, useState, type PointerEvent } from 'react';
import type { Plane } from '@/core/scene/records/plane';
import { useDesk, useScene, useStudio } from '../context';
import { toggled } from '../store/desk-store';
import type { StripRows } from './marks-of';
import { movePlaneTo } from './planes';

/** How far the pointer goes before a press becomes a drag, px. */
const SLACK_PX = 6;

export function PlaneName({
  id,
  plane,
  at,
  rows,
}: {
  id: string;
  plane: Plane;
  /** Its place in the row. */
  at: number;
  rows: StripRows;
}) {
  const studio = useStudio();
  const isPicked = useScene((state) => state.selection.some((p) => p.collection === 'planes' && p.id === id));
  const isCurrent = useDesk((state) => state.planeId === id);
  const isSolo = useDesk((state) => state.soloPlanes.has(id));
  const from = useRef<number | null>(null);
  const [goesTo, setGoesTo] = useState<number | null>(null);
  const placeAt = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.closest('[data-rows]')!.getBoundingClientRect();
    return rows.at((event.clientY - box.top) / box.height);
  };
  const { name } = plane;
  return (
    <div className="relative z-20 flex items-center gap-[2px] bg-slate">
      <button
        type="button"
        aria-current={isCurrent}
        title={`${name}: drag it, or press Alt and an arrow, to move it farther or nearer`}
        className={`min-w-0 flex-1 cursor-pointer touch-none truncate text-left ${plane.hidden ? 'text-dust line-through' : ''} ${isPicked ? 'text-verdigris' : isCurrent ? 'text-brass' : ''}`}
        onClick={() => {
          studio.pick({ collection: 'planes', id });
          studio.desk.setState({ planeId: id });
        }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          from.current = event.clientY;
        }}
        onPointerMove={(event) => {
          if (from.current === null || !(event.buttons & 1)) return;
          if (Math.abs(event.clientY - from.current) > SLACK_PX) setGoesTo(placeAt(event));
        }}
        onPointerUp={() => {
          if (goesTo !== null) movePlaneTo(studio, id, goesTo);
          from.current = null;
          setGoesTo(null);
        }}
        onPointerCancel={() => setGoesTo(null)}
        onKeyDown={(event) => {
          const step = event.altKey ? { ArrowUp: -1, ArrowDown: 1 }[event.key] : undefined;
          if (step === undefined) return;
          movePlaneTo(studio, id, at + step);
          event.preventDefault();
          event.stopPropagation();
        }}
      >
        {name}
      </button>
      {goesTo !== null && goesTo !== at && (
        <span className="figure text-brass" role="status">
          {goesTo < at ? '↑' : '↓'} {goesTo + 1}
        </span>
      )}
      <SmallToggle
        name={`Look at ${name} alone`}
        on={isSolo}
        icons={[Focus, Focus]}
        onPress={() => studio.desk.setState(({ soloPlanes }) => ({ soloPlanes: toggled(soloPlanes, id) }))}
      />
      <SmallToggle
        name={`${plane.hidden ? 'Show' : 'Hide'} ${name}`}
        on={plane.hidden}
        icons={[EyeOff, Eye]}
        onPress={() => studio.set('Hide a plane', 'planes', id, { hidden: !plane.hidden })}
      />
      <SmallToggle
        name={`${plane.locked ? 'Unlock' : 'Lock'} ${name}`}
        on={plane.locked}
        icons={[Lock, LockOpen]}
        onPress={() => studio.set('Lock a plane', 'planes', id, { locked: !plane.locked })}
      />
    </div>
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
