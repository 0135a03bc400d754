'use client';
/** One value over the twenty-four hours: its curve, and the cues that hold it as points that are dragged. */
import { useRef, type PointerEvent } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { change, changes, type Edit } from '@/core/scene/edits';
import {
  isColourItem,
  itemIn,
  itemKey,
  itemRange,
  withItem,
  type CueItem,
  type ItemValue,
} from '@/core/time/cue-items';
import { cueValueRow } from '@/core/time/cue-values';
import { clockText, cuesInOrder } from '@/core/time/cues';
import { DAY_HOURS, wrapHours } from '@/core/time/periodic';
import { Column } from '../controls/Column';
import { useGesture } from '../controls/FieldOf';
import { Choice } from '../controls/small';
import { useDesk, useScene, useStudio } from '../context';
import { editsHolding, isHourTaken, snappedHour } from '../store/cue-edits';
import { dayItems, itemAt, itemWords } from '../store/day-trial';
import type { Studio } from '../store/studio';
import { ChartHead } from './ChartHead';
import { SunGraph } from './SunGraph';
import { WIDTH, HEIGHT, acrossDay, CHART_CLASS, HourGrid, hourAt, placeOn, PAD } from './chart-scale';

const SAMPLES = 193;
const SUN = 'sun altitude';

export function DayChart() {
  const studio = useStudio();
  const items = useScene(() => dayItems(studio));
  const wanted = useDesk((state) => state.dayChart);
  const item = items.find((one) => itemKey(one) === wanted) ?? null;
  const isSun = wanted === SUN;
  const shown = item ?? items[1];
  return (
    <Column title="Over the day" wide="chart" aside={!isSun && <ChartHint item={shown} />}>
      <Choice<string>
        label="Value"
        value={isSun ? SUN : itemKey(shown)}
        options={[
          ...items.map((one) => [itemKey(one), itemWords(studio, one)] as const),
          [SUN, "Sun's altitude"] as const,
        ]}
        onChange={(dayChart) => studio.desk.setState({ dayChart })}
      />
      {isSun ? <SunGraph /> : <ValueGraph key={itemKey(shown)} item={shown} />}
    </Column>
  );
}

interface ChartPoint {
  id: string;
  hours: number;
  value: ItemValue;
}

function pointsOf(studio: Studio, item: CueItem): ChartPoint[] {
  return cuesInOrder(studio.scene.cues).flatMap(([id, cue]) => {
    const value = itemIn(cue, item);
    return value === null ? [] : [{ id, hours: cue.clockHours, value }];
  });
}

/** Lowest and highest of the chart: as far as the value is used to go, and as far as it goes. */
function rangeOf(item: CueItem, points: readonly ChartPoint[]): [number, number] {
  const { low, high } = itemRange(item);
  const values = points.map(({ value }) => value as number);
  const top = Math.max(...values, 0) * 1.25;
  const most = Math.min(high, Math.max(1, Math.ceil(top * 2) / 2));
  return [Math.min(low, ...values), Math.max(most, ...values)];
}

function ValueGraph({ item }: { item: CueItem }) {
  const studio = useStudio();
  const chart = useRef<SVGSVGElement>(null);
  const words = itemWords(studio, item);
  // Drawn anew with the scene and with what is tried.
  useScene((state) => state.scene);
  useDesk((state) => state.trial);
  const picked = useScene((state) => state.selection.find((p) => p.collection === 'cues')?.id ?? null);
  const gesture = useGesture(studio, words);
  const points = pointsOf(studio, item);
  const isColour = isColourItem(item);
  const range = useRef<[number, number] | null>(null);
  const [low, high] = range.current ?? (isColour ? [0, 1] : rangeOf(item, points));
  const down = scaleLinear([low, high], [HEIGHT - PAD, PAD]);
  const hours = Array.from({ length: SAMPLES }, (_, i) => (i / (SAMPLES - 1)) * DAY_HOURS);
  const rounded = (v: number) => Math.round(Math.min(high, Math.max(low, v)) * 100) / 100;

  const moved = (point: ChartPoint, toHours: number, to: ItemValue): Edit[] => {
    const at = isHourTaken(studio, toHours, point.id) ? point.hours : toHours;
    const cue = studio.scenes.kept.cues[point.id];
    return changes(studio.scenes.kept, 'cues', point.id, {
      clockHours: at,
      ...(isColour ? {} : withItem(cue, item, to)),
    });
  };
  const add = (event: PointerEvent) => {
    if (event.target !== chart.current) return;
    const [x, y] = placeOn(chart.current, event);
    const at = snappedHour(hourAt(x));
    const to = isColour ? itemAt(studio, item, at) : rounded(down.invert(y));
    gesture.commit(editsHolding(studio, item, at, to));
  };
  const dragged = useRef<{ point: ChartPoint; edits: Edit[] } | null>(null);
  const drop = (point: ChartPoint) => {
    const cue = studio.scenes.kept.cues[point.id];
    const edit = change(studio.scenes.kept, 'cues', point.id, withItem(cue, item, null));
    if (edit) gesture.commit([edit]);
  };
  return (
    <>
      <svg
        ref={chart}
        role="group"
        aria-label={`${words} over the day`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={CHART_CLASS}
        onPointerDown={add}
      >
        {isColour ? (
          hours
            .slice(0, -1)
            .map((hour) => (
              <rect
                key={hour}
                className="pointer-events-none"
                x={acrossDay(hour)}
                y={PAD}
                width={(WIDTH - 2 * PAD) / (SAMPLES - 1) + 0.5}
                height={HEIGHT - 2 * PAD}
                fill={itemAt(studio, item, hour) as string}
              />
            ))
        ) : (
          <>
            <HourGrid />
            {down.ticks(3).map((tick) => (
              <text
                key={tick}
                x={PAD + 1}
                y={Math.max(PAD + 8, down(tick) - 2)}
                className="pointer-events-none fill-dust text-[9px]"
              >
                {tick}
              </text>
            ))}
            <path
              className="pointer-events-none fill-none stroke-brass"
              strokeWidth={1.4}
              d={line<number>(acrossDay, (hour) => down(itemAt(studio, item, hour) as number))(hours)!}
            />
          </>
        )}
        <ChartHead />
        {points.map((point) => {
          const text = isColour ? String(point.value) : (point.value as number).toFixed(2);
          return (
            <circle
              key={point.id}
              role="slider"
              tabIndex={0}
              aria-label={`${words} at ${clockText(point.hours)}`}
              aria-valuenow={isColour ? point.hours : (point.value as number)}
              aria-valuetext={text}
              aria-valuemin={isColour ? 0 : low}
              aria-valuemax={isColour ? DAY_HOURS : high}
              cx={acrossDay(point.hours)}
              cy={isColour ? HEIGHT / 2 : down(point.value as number)}
              r={isColour ? 6 : 4.5}
              fill={isColour ? (point.value as string) : undefined}
              className={`cursor-move ${isColour ? '' : picked === point.id ? 'fill-verdigris' : 'fill-soot focus:fill-verdigris'} stroke-verdigris`}
              strokeWidth={1.4}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                dragged.current = { point, edits: [] };
                range.current = [low, high];
              }}
              onPointerMove={(event) => {
                if (!dragged.current) return;
                const [x, y] = placeOn(chart.current!, event);
                dragged.current.edits = moved(
                  dragged.current.point,
                  snappedHour(hourAt(x)),
                  isColour ? point.value : rounded(down.invert(y)),
                );
                gesture.preview(dragged.current.edits);
              }}
              onPointerUp={() => {
                const { current } = dragged;
                dragged.current = null;
                range.current = null;
                if (current && current.edits.length > 0) gesture.commit(current.edits);
                else gesture.cancel();
                // Only now: columns that come with a pick may move the chart.
                studio.pick({ collection: 'cues', id: point.id });
              }}
              onPointerCancel={() => {
                dragged.current = null;
                range.current = null;
                gesture.cancel();
              }}
              onDoubleClick={() => drop(point)}
              onKeyDown={(event) => {
                const step = STEPS[event.key];
                if (event.key === 'Delete') drop(point);
                else if (step)
                  gesture.commit(
                    moved(
                      point,
                      snappedHour(wrapHours(point.hours + step[0])),
                      isColour ? point.value : rounded((point.value as number) + step[1] * (high - low)),
                    ),
                  );
                else return;
                event.preventDefault();
                event.stopPropagation();
              }}
            />
          );
        })}
      </svg>
    </>
  );
}

/** What can be done with the chart, beside its title: below it there is no room on a low desk. */
function ChartHint({ item }: { item: CueItem }) {
  const studio = useStudio();
  const isHeld = useScene(() => pointsOf(studio, item).length > 0);
  if (isHeld)
    return <span className="text-ash">Drag points; a click adds one, a double click lets one go.</span>;
  const isOfLights = 'value' in item && cueValueRow(item.value).own !== 'settings';
  return (
    <span className="text-ash">
      No cue holds it: it is as {isOfLights ? 'its lights say' : 'the scene says'}. A click adds a point.
    </span>
  );
}

const FIVE_MINUTES = 1 / 12;
const STEPS: Record<string, readonly [hours: number, share: number]> = {
  ArrowLeft: [-FIVE_MINUTES, 0],
  ArrowRight: [FIVE_MINUTES, 0],
  ArrowUp: [0, 0.02],
  ArrowDown: [0, -0.02],
};
