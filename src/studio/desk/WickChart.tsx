'use client';
/** A wick looked at: its curve some seconds back and ahead with the playhead, the spread of its values, and a light on it. */
import { useCallback, useState } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { hexToLinear, linearToHex } from '@/core/raster/colour';
import { Remembered } from '@/core/remembered';
import type { Wick } from '@/core/scene/records/wick';
import { phaseSeconds, wickAt, wickCurve } from '@/core/time/wick';
import type { Studio } from '../store/studio';
import { readToken } from '../surface/read-colours';
import { useLiveCanvas, type LiveCanvas } from './use-live-canvas';

const PAST_SECONDS = 2;
const AHEAD_SECONDS = 6;
const POINTS = 240;
/** Values of the whole loop that its spread is told by, and the bars that they fall into. */
const SAMPLES = 1200;
const BARS = 16;

interface Props {
  wickId: string;
  /** A light on it, whose phase is shown; empty shows the wick's own. */
  lightId: string;
}

export function WickChart(props: Props) {
  return (
    <div className="mb-1 grid grid-cols-[minmax(0,1fr)_46px_72px] gap-1">
      <Curve {...props} />
      <Spread {...props} />
      <LivingLight {...props} />
    </div>
  );
}

const BOX = 'h-[72px] w-full border border-rail bg-soot';

function Curve({ wickId, lightId }: Props) {
  const draw = useCallback(
    ({ context, width, height, ratio }: LiveCanvas, studio: Studio) => {
      const wick = studio.scene.wicks[wickId];
      if (!wick) return;
      const now = studio.live.getState().seconds + phaseSeconds(wick, lightId);
      const across = scaleLinear([-PAST_SECONDS, AHEAD_SECONDS], [0, width]);
      const down = scaleLinear([0, 1], [height - 4 * ratio, 4 * ratio]);
      context.fillStyle = readToken('--color-rail');
      for (let second = -PAST_SECONDS + 1; second < AHEAD_SECONDS; second++)
        context.fillRect(Math.round(across(second)), height - 4 * ratio, ratio, 4 * ratio);
      const path = line<number>()
        .x((i) => (i / (POINTS - 1)) * width)
        .y((i) => down(wickCurve(wick, now + across.invert((i / (POINTS - 1)) * width))))
        .context(context);
      context.beginPath();
      path(Array.from({ length: POINTS }, (_, i) => i));
      context.strokeStyle = readToken('--color-brass');
      context.lineWidth = 1.3 * ratio;
      context.stroke();
      context.fillStyle = readToken('--color-verdigris');
      context.fillRect(Math.round(across(0)), 0, ratio, height);
    },
    [wickId, lightId],
  );
  return (
    <canvas
      ref={useLiveCanvas(draw)}
      role="img"
      aria-label={`The curve of the wick, ${PAST_SECONDS} seconds back and ${AHEAD_SECONDS} ahead`}
      className={BOX}
    />
  );
}

/** How many samples of the whole loop fall into each bar, from 0 up. */
function spreadOf(wick: Wick): number[] {
  const counts = new Array<number>(BARS).fill(0);
  for (let i = 0; i < SAMPLES; i++) {
    const value = wickCurve(wick, (i / SAMPLES) * wick.loopSeconds);
    counts[Math.min(BARS - 1, Math.floor(value * BARS))]++;
  }
  return counts;
}

/** How often the curve is how high, over its whole loop. */
function Spread({ wickId }: Props) {
  const [counted] = useState(() => new Remembered<Wick, number[]>());
  const draw = useCallback(
    ({ context, width, height, ratio }: LiveCanvas, studio: Studio) => {
      const wick = studio.scene.wicks[wickId];
      if (!wick) return;
      const counts = counted.recall(wick, [], () => spreadOf(wick));
      const across = scaleLinear([0, Math.max(...counts)], [0, width - 2 * ratio]);
      const down = scaleLinear([0, BARS], [height - 4 * ratio, 4 * ratio]);
      context.fillStyle = readToken('--color-brass');
      counts.forEach((count, bar) => {
        const [top, bottom] = [down(bar + 1), down(bar)];
        context.fillRect(0, top, across(count), Math.max(ratio, bottom - top - ratio));
      });
    },
    [wickId, counted],
  );
  return (
    <canvas
      ref={useLiveCanvas(draw)}
      role="img"
      aria-label="How often the wick is how high"
      title="How often the wick is how high"
      className={BOX}
    />
  );
}

/** Half the box is a light's own reach; beyond its reach nothing is drawn. */
const OWN_REACH = 0.36;

/** A light of the wick by itself: its level, its reach, its place and its colour. */
function LivingLight({ wickId, lightId }: Props) {
  const draw = useCallback(
    ({ context, width, height, ratio }: LiveCanvas, studio: Studio) => {
      const wick = studio.scene.wicks[wickId];
      if (!wick) return;
      const light = studio.scene.lights[lightId];
      const own = hexToLinear(light?.colour ?? '#ffc37a');
      const out = wickAt(wick, lightId, studio.live.getState().seconds);
      const [r, g, b] = out.colour ? out.colour(own) : own;
      // As a screen shows a light on grey: beyond white it stays white.
      const lit = (share: number) =>
        linearToHex(
          [r, g, b].map((v) => Math.min(1, v * out.level * share * 0.8)) as [number, number, number],
        );
      const reach = OWN_REACH * width * Math.max(0.05, out.reach);
      const [x, y] = [width / 2 + out.swayX * 2 * ratio, height / 2 + out.swayY * 2 * ratio];
      const glow = context.createRadialGradient(x, y, 0, x, y, reach);
      for (let i = 0; i <= 8; i++) glow.addColorStop(i / 8, lit((1 - i / 8) ** 2));
      context.fillStyle = '#000000';
      context.fillRect(0, 0, width, height);
      context.fillStyle = glow;
      context.fillRect(0, 0, width, height);
    },
    [wickId, lightId],
  );
  return <canvas ref={useLiveCanvas(draw)} role="img" aria-label="A light on this wick" className={BOX} />;
}
