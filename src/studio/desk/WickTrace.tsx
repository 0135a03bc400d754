'use client';
import { useCallback } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { wickAt } from '@/core/time/wick';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import type { SceneDocument } from '@/core/scene/document';
import type { FixtureName } from '../store/fixtures';
import type { Studio } from '../store/studio';
import { useLiveCanvas, type LiveCanvas } from './use-live-canvas';

export interface WickTraceProps {
  of: FixtureName;
  /** How much of the past is shown. */
  seconds: number;
  className: string;
  /** Time runs downward, as on a channel. */
  upright?: boolean;
}

const POINTS = 90;

/** The wick of a light, or of a lamp's first light that has one, running live: the curve of its level, with now at one end. */
export function WickTrace({ of: { collection, id }, seconds, className, upright = false }: WickTraceProps) {
  const draw = useCallback(
    ({ context, width, height, ratio }: LiveCanvas, studio: Studio) => {
      const burning = burningOf(studio.scene, { collection, id });
      if (!burning) return;
      const { wick, colour } = burning;
      const { seconds: at } = studio.live.getState();
      const [low, high] = wick
        ? [Math.min(wick.levelLow, wick.levelHigh), Math.max(wick.levelLow, wick.levelHigh)]
        : [0.9, 1.1];
      const across = scaleLinear(
        [low, high],
        upright ? [2 * ratio, width - 2 * ratio] : [height - 2 * ratio, 2 * ratio],
      );
      const along = scaleLinear([0, POINTS - 1], upright ? [height - 1, 1] : [width - 1, 1]);
      const value = (i: number) => (wick ? wickAt(wick, id, at - (i * seconds) / POINTS).level : 1);
      const path = line<number>()
        .x((i) => (upright ? across(value(i)) : along(i)))
        .y((i) => (upright ? along(i) : across(value(i))))
        .context(context);
      context.beginPath();
      path(Array.from({ length: POINTS }, (_, i) => i));
      context.strokeStyle = colour;
      context.globalAlpha = wick ? 0.9 : 0.35;
      context.lineWidth = ratio;
      context.stroke();
      context.globalAlpha = 1;
    },
    [collection, id, seconds, upright],
  );
  return <canvas ref={useLiveCanvas(draw)} aria-hidden className={className} />;
}

function burningOf(scene: SceneDocument, { collection, id }: FixtureName) {
  if (collection === 'lights') {
    const light = scene.lights[id];
    return light && { colour: light.colour, wick: light.wickId === null ? null : scene.wicks[light.wickId] };
  }
  const parts = scene.lamps[id] ? lightPartsOf(scene, scene.lamps[id]) : [];
  return parts.find(({ wick }) => wick) ?? parts[0];
}
