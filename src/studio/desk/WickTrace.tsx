'use client';
import { useCallback } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { wickAt } from '@/core/time/wick';
import type { Studio } from '../store/studio';
import { useLiveCanvas, type LiveCanvas } from './use-live-canvas';

export interface WickTraceProps {
  lightId: string;
  /** How much of the past is shown. */
  seconds: number;
  className: string;
  /** Time runs downward, as on a channel. */
  upright?: boolean;
}

const POINTS = 90;

/** A light's wick running live: the curve of its level, with now at one end. */
export function WickTrace({ lightId, seconds, className, upright = false }: WickTraceProps) {
  const draw = useCallback(
    ({ context, width, height, ratio }: LiveCanvas, studio: Studio) => {
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
    },
    [lightId, seconds, upright],
  );
  return <canvas ref={useLiveCanvas(draw)} aria-hidden className={className} />;
}
