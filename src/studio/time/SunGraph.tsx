'use client';
/** How high the sun and the moon stand over the day. The sun of an arc is set by dragging where it rises, stands highest and sets. */
import { useRef } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { settingsOf } from '@/core/scene/document';
import type { SceneSettings } from '@/core/scene/records/settings';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { changes } from '@/core/scene/edits';
import { clockText } from '@/core/time/cues';
import { DAY_HOURS, wrapHours } from '@/core/time/periodic';
import { earthPlace } from '@/core/time/sky';
import { sunTimes } from '@/core/time/sun';
import { useGesture } from '../controls/FieldOf';
import { useScene, useStudio } from '../context';
import { snappedHour } from '../store/cue-edits';
import { acrossDay, CHART_CLASS, HEIGHT, hourAt, HourGrid, PAD, placeOn, WIDTH } from './chart-scale';
import { ChartHead } from './ChartHead';

const SAMPLES = 193;
const down = scaleLinear([-20, 90], [HEIGHT - PAD, PAD]).clamp(true);

interface ArcPoint {
  words: string;
  hours: number;
  altitudeDeg: number;
  /** What a drag to a place makes of the arc. */
  to(hours: number, altitudeDeg: number): Partial<SceneSettings>;
}

function arcPoints({ sunRiseHours, sunSetHours, sunNoonDeg }: SceneSettings): ArcPoint[] {
  const noon = wrapHours(sunRiseHours + wrapHours(sunSetHours - sunRiseHours) / 2);
  return [
    {
      words: 'Sunrise',
      hours: sunRiseHours,
      altitudeDeg: 0,
      to: (hours) => ({ sunRiseHours: snappedHour(hours) }),
    },
    {
      words: 'Noon',
      hours: noon,
      altitudeDeg: sunNoonDeg,
      to: (_, altitudeDeg) => ({ sunNoonDeg: Math.round(Math.min(90, Math.max(0, altitudeDeg))) }),
    },
    {
      words: 'Sunset',
      hours: sunSetHours,
      altitudeDeg: 0,
      to: (hours) => ({ sunSetHours: snappedHour(hours) }),
    },
  ];
}

export function SunGraph() {
  const studio = useStudio();
  const chart = useRef<SVGSVGElement>(null);
  const settings = useScene(({ scene }) => settingsOf(scene));
  const gesture = useGesture(studio, "Sun's arc");
  const { sky } = studio.day();
  const hours = Array.from({ length: SAMPLES }, (_, i) => (i / (SAMPLES - 1)) * DAY_HOURS);
  const pathOf = (body: 'sun' | 'moon') =>
    line<number>(acrossDay, (hour) => down(sky.at(body, hour).altitudeDeg))(hours)!;
  const points = settings.sunBy === 'arc' ? arcPoints(settings) : [];
  const edits = (fields: Partial<SceneSettings>) => {
    return changes(studio.scenes.kept, 'settings', SETTINGS_ID, fields);
  };
  const dragged = useRef<Partial<SceneSettings> | null>(null);
  return (
    <>
      <svg
        ref={chart}
        role="group"
        aria-label="Altitude of the sun and the moon over the day"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={CHART_CLASS}
      >
        <HourGrid />
        <line className="stroke-rail" x1={PAD} x2={WIDTH - PAD} y1={down(0)} y2={down(0)} />
        {[30, 60].map((degrees) => (
          <text key={degrees} x={PAD + 1} y={down(degrees) + 3} className="fill-dust text-[9px]">
            {degrees}°
          </text>
        ))}
        <path className="fill-none stroke-dust" strokeWidth={1} strokeDasharray="3 3" d={pathOf('moon')} />
        <path className="fill-none stroke-brass" strokeWidth={1.4} d={pathOf('sun')} />
        <ChartHead />
        {points.map((point) => (
          <circle
            key={point.words}
            role="slider"
            tabIndex={0}
            aria-label={point.words}
            aria-valuenow={point.altitudeDeg}
            aria-valuemin={0}
            aria-valuemax={90}
            aria-valuetext={point.words === 'Noon' ? `${point.altitudeDeg} degrees` : clockText(point.hours)}
            cx={acrossDay(point.hours)}
            cy={down(point.altitudeDeg)}
            r={4.5}
            className="cursor-move fill-soot stroke-verdigris focus:fill-verdigris"
            strokeWidth={1.4}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              dragged.current = {};
            }}
            onPointerMove={(event) => {
              if (!dragged.current) return;
              const [x, y] = placeOn(chart.current!, event);
              dragged.current = point.to(hourAt(x), down.invert(y));
              gesture.preview(edits(dragged.current));
            }}
            onPointerUp={() => {
              const { current } = dragged;
              dragged.current = null;
              if (current && Object.keys(current).length > 0) gesture.commit(edits(current));
            }}
            onPointerCancel={() => {
              dragged.current = null;
              gesture.cancel();
            }}
            onKeyDown={(event) => {
              const step = STEPS[event.key];
              if (!step) return;
              event.preventDefault();
              event.stopPropagation();
              gesture.commit(edits(point.to(point.hours + step[0], point.altitudeDeg + step[1])));
            }}
          />
        ))}
      </svg>
      <SunWords />
    </>
  );
}

const FIVE_MINUTES = 1 / 12;
const STEPS: Record<string, readonly [hours: number, degrees: number]> = {
  ArrowLeft: [-FIVE_MINUTES, 0],
  ArrowRight: [FIVE_MINUTES, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** When the sun rises, stands highest and sets, in words. */
export function SunWords() {
  const settings = useScene(({ scene }) => settingsOf(scene));
  if (settings.sunBy === 'arc')
    return (
      <p className="text-small text-ash">
        Drag the points: where the sun rises, how high it stands, where it sets. The moon is dashed.
      </p>
    );
  const { riseHours, setHours, noonHours, noonAltitudeDeg } = sunTimes(earthPlace(settings));
  const highest = `highest at ${clockText(noonHours)}, ${noonAltitudeDeg.toFixed(1)}°`;
  const words =
    riseHours === null || setHours === null
      ? `The sun does not ${noonAltitudeDeg > 0 ? 'set' : 'rise'} on this day; it stands ${highest}.`
      : `The sun rises at ${clockText(riseHours)}, stands ${highest}, and sets at ${clockText(setHours)}.`;
  return <p className="text-small text-ash">{words} The moon is dashed.</p>;
}
