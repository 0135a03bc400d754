'use client';
/** The gate over the day, with the finish that it has at each hour; a press goes there. */
import { useEffect, useRef } from 'react';
import { clockText } from '@/core/time/cues';
import { DAY_HOURS } from '@/core/time/periodic';
import { useStudio } from '../context';
import { useDayNow } from '../time/use-day-now';
import { SHEET_SIDE_PX, SheetPicture } from './SheetPicture';

const STEP_HOURS = 1.5;
const HOURS = Array.from({ length: DAY_HOURS / STEP_HOURS }, (_, i) => i * STEP_HOURS);
const keyOf = (hours: number) => `hour ${hours}`;

export function HoursPart() {
  const studio = useStudio();
  const owner = useRef({});
  const nearest = useDayNow(() => Math.round(studio.live.getState().clockHours / STEP_HOURS) * STEP_HOURS);
  useEffect(
    () =>
      studio.gateSheet.want(
        owner.current,
        HOURS.map((clockHours) => ({
          key: keyOf(clockHours),
          passing: {},
          clockHours,
          sidePx: SHEET_SIDE_PX,
        })),
      ),
    [studio],
  );
  return (
    <ul
      aria-label="Contact sheet of hours"
      className="flex h-full flex-wrap content-start gap-2 overflow-y-auto [scrollbar-width:thin]"
    >
      {HOURS.map((hours) => (
        <li key={hours}>
          <button
            type="button"
            aria-label={`Go to ${clockText(hours)}`}
            aria-pressed={nearest % DAY_HOURS === hours}
            className="block w-[114px] cursor-pointer border border-line text-left hover:border-rail aria-pressed:border-verdigris"
            onClick={() => studio.live.setState({ clockHours: hours, dayRate: 0 })}
          >
            <SheetPicture picture={keyOf(hours)} name={clockText(hours)} />
            <span className="figure block px-1">{clockText(hours)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
