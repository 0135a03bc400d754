'use client';
import { useEffect, useRef } from 'react';
import { scaleLinear } from 'd3-scale';
import { linearToHex } from '@/core/raster/colour';
import { inOrder } from '@/core/scene/document';
import type { Day } from '@/core/time/day';
import { DAY_HOURS } from '@/core/time/periodic';
import type { SkyBody } from '@/core/time/sky-fields';
import { useStudio } from '../context';
import type { Studio } from '../store/studio';
import { readToken } from '../surface/read-colours';

const STEPS = 288;
/** CSS px: the strip of the sky, and below it a bar for each circuit that is switched. */
const SKY_HEIGHT = 14;
const BARS_TOP = 25;
const BAR_HEIGHT = 2;
const BAR_GAP = 1;
const MOST_BARS = 3;

/** The day from its real values: the colour of the ambient light, the ways of the sun and the moon, and when circuits are lit. */
export function DayStrip() {
  const studio = useStudio();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const target = canvas.current!;
    const draw = () => drawDay(target, studio);
    draw();
    const resized = new ResizeObserver(draw);
    resized.observe(target);
    const leave = [
      studio.scenes.api.subscribe((state, last) => {
        const [now, before] = [state.scene, last.scene];
        if (
          now.cues !== before.cues ||
          now.settings !== before.settings ||
          now.circuits !== before.circuits ||
          now.lights !== before.lights
        )
          draw();
      }),
      studio.desk.subscribe((state, last) => state.trial !== last.trial && draw()),
    ];
    return () => {
      resized.disconnect();
      leave.forEach((stop) => stop());
    };
  }, [studio]);
  return <canvas ref={canvas} aria-hidden className="absolute inset-x-0 top-0 h-full w-full" />;
}

function drawDay(target: HTMLCanvasElement, studio: Studio): void {
  const ratio = window.devicePixelRatio || 1;
  const [width, height] = [target.clientWidth, target.clientHeight];
  target.width = Math.round(width * ratio);
  target.height = Math.round(height * ratio);
  const context = target.getContext('2d')!;
  context.scale(ratio, ratio);
  const across = scaleLinear([0, DAY_HOURS], [0, width]);
  const day = studio.day();
  for (let i = 0; i < STEPS; i++) {
    const hours = (i / STEPS) * DAY_HOURS;
    const { linear, level } = day.ambient(hours);
    context.fillStyle = linearToHex([linear[0] * level, linear[1] * level, linear[2] * level]);
    context.fillRect(across(hours), 0, width / STEPS + 1, SKY_HEIGHT);
  }
  const followed = new Set(Object.values(studio.scene.lights).map(({ follows }) => follows));
  if (followed.has('moon')) drawWay(context, across, day, 'moon');
  if (followed.has('sun')) drawWay(context, across, day, 'sun');
  drawCircuits(context, across, studio, day);
}

/** The way of the sun or the moon over the strip: from the horizon at its foot to straight above at its top. */
function drawWay(
  context: CanvasRenderingContext2D,
  across: (hours: number) => number,
  { sky }: Day,
  body: SkyBody,
): void {
  const down = scaleLinear([0, 90], [SKY_HEIGHT, 1]);
  context.beginPath();
  let isUp = false;
  for (let i = 0; i <= STEPS; i++) {
    const hours = (i / STEPS) * DAY_HOURS;
    const { altitudeDeg } = sky.at(body, hours);
    if (altitudeDeg >= 0) {
      if (isUp) context.lineTo(across(hours), down(altitudeDeg));
      else context.moveTo(across(hours), down(altitudeDeg));
    }
    isUp = altitudeDeg >= 0;
  }
  // A dark line under the light one is seen on a sky of any colour.
  context.setLineDash(body === 'moon' ? [3, 3] : []);
  context.strokeStyle = 'rgb(0 0 0 / 0.55)';
  context.lineWidth = 2.5;
  context.stroke();
  context.strokeStyle = body === 'sun' ? '#ffe6a8' : '#c9d6ff';
  context.lineWidth = 1;
  context.stroke();
  context.setLineDash([]);
}

function drawCircuits(
  context: CanvasRenderingContext2D,
  across: (hours: number) => number,
  { scene }: Studio,
  day: Day,
): void {
  const switched = inOrder(scene.circuits).filter(([, { switching }]) => switching !== 'always');
  context.fillStyle = readToken('--color-brass');
  switched.slice(0, MOST_BARS).forEach(([id], i) => {
    for (const [from, to] of day.litSpans(id))
      context.fillRect(
        across(from),
        BARS_TOP + i * (BAR_HEIGHT + BAR_GAP),
        across(to) - across(from),
        BAR_HEIGHT,
      );
  });
}
