/** The frame of charts over the twenty-four hours: their size, their scale, and the lines of the hours. */
import { scaleLinear } from 'd3-scale';
import { DAY_HOURS } from '@/core/time/periodic';

export const WIDTH = 364;
export const HEIGHT = 92;
export const PAD = 7;

export const acrossDay = scaleLinear([0, DAY_HOURS], [PAD, WIDTH - PAD]);

/** The hour under a place of a chart, within the day. */
export function hourAt(x: number): number {
  return Math.min(DAY_HOURS, Math.max(0, acrossDay.invert(x)));
}

export const CHART_CLASS = 'mt-1 w-full cursor-crosshair border border-rail bg-soot';

/** Where a pointer is on a chart, in its own units. */
export function placeOn(chart: SVGSVGElement, event: { clientX: number; clientY: number }): [number, number] {
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(
    chart.getScreenCTM()!.inverse(),
  );
  return [x, y];
}

const HOURS = [3, 6, 9, 12, 15, 18, 21];

export function HourGrid() {
  return HOURS.map((hour) => (
    <line
      key={hour}
      className="pointer-events-none stroke-line"
      x1={acrossDay(hour)}
      x2={acrossDay(hour)}
      y1={PAD}
      y2={HEIGHT - PAD}
    />
  ));
}
