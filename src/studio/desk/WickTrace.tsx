'use client';
import { useEffect, useRef } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { wickAt } from '@/core/time/wick';
import { useStudio } from '../context';

export interface WickTraceProps {
  lightId: string;
  /** How much of the past is shown. */
  seconds: number;
  className: string;
  /** Time runs downward, as on a channel. */
  upright?: boolean;
}

const POINTS = 90;
const REDRAW_MS = 66;

/** A light's wick running live: the curve of its level, with now at one end. Draws itself; React never renders for it. */
export function WickTrace({ lightId, seconds, className, upright = false }: WickTraceProps) {
  const studio = useStudio();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const target = canvas.current!;
    const context = target.getContext('2d')!;
    let last = 0;
    const draw = () => {
      const now = performance.now();
      if (now - last < REDRAW_MS) return;
      last = now;
      const ratio = window.devicePixelRatio || 1;
      const [width, height] = [target.clientWidth * ratio, target.clientHeight * ratio];
      if (target.width !== width || target.height !== height) {
        target.width = width;
        target.height = height;
      }
      context.clearRect(0, 0, width, height);
      const light = studio.scene.lights[lightId];
      if (!light) return;
      const wick = light.wickId === null ? undefined : studio.scene.wicks[light.wickId];
      const { seconds: at } = studio.live.getState();
      const [low, high] = wick
        ? [Math.min(wick.levelLow, wick.levelHigh), Math.max(wick.levelLow, wick.levelHigh)]
        : [0.9, 1.1];
      const across = scaleLinear(
        [low, high],
        upright ? [2 * ratio, width - 2 * ratio] : [height - 2 * ratio, 2 * ratio],
      );
      const along = scaleLinear([0, POINTS - 1], upright ? [height - 1, 1] : [width - 1, 1]);
      const value = (i: number) => (wick ? wickAt(wick, lightId, at - (i * seconds) / POINTS).level : 1);
      const path = line<number>()
        .x((i) => (upright ? across(value(i)) : along(i)))
        .y((i) => (upright ? along(i) : across(value(i))))
        .context(context);
      context.beginPath();
      path(Array.from({ length: POINTS }, (_, i) => i));
      context.strokeStyle = light.colour;
      context.globalAlpha = wick ? 0.9 : 0.35;
      context.lineWidth = ratio;
      context.stroke();
      context.globalAlpha = 1;
    };
    draw();
    const leave = [studio.live.subscribe(draw), studio.scenes.api.subscribe(draw)];
    return () => leave.forEach((stop) => stop());
  }, [studio, lightId, seconds, upright]);
  return <canvas ref={canvas} aria-hidden className={className} />;
}
