'use client';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';

const PICKER_PX = 74;
const MARK_PX = 9;
/** A facing along the picture's plane would take no light from the front. */
const MOST = 0.985;
const STEP = 0.05;

/** Told with the facing under the pointer, or null beyond the art. */
export const FACING_EVENT = 'oilwick-facing';

const radiusOf = (sizePx: number) => sizePx / 2 - 2;

function placeOf(sizePx: number, x: number, y: number): string {
  const at = (v: number) => sizePx / 2 + v * radiusOf(sizePx) - MARK_PX / 2;
  return `translate(${at(x)}px, ${at(y)}px)`;
}

/** The ball of directions with a ring at the facing of the art under the pointer: a point of it faces as it does there. */
export function Ball({ sizePx }: { sizePx: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const ring = useRef<HTMLSpanElement>(null);
  useEffect(() => paintBall(canvas.current!, sizePx), [sizePx]);
  // The pointer moves too often for React: the ring is moved by hand.
  useEffect(() => {
    const show = (event: Event) => {
      const facing = (event as CustomEvent<[number, number] | null>).detail;
      const { style } = ring.current!;
      style.display = facing ? '' : 'none';
      if (facing) style.transform = placeOf(sizePx, facing[0], facing[1]);
    };
    window.addEventListener(FACING_EVENT, show);
    return () => window.removeEventListener(FACING_EVENT, show);
  }, [sizePx]);
  return (
    <div className="pointer-events-none relative" style={{ width: sizePx, height: sizePx }}>
      <canvas ref={canvas} width={sizePx * 2} height={sizePx * 2} className="size-full" />
      <span
        ref={ring}
        data-testid="facing-ring"
        style={{ display: 'none' }}
        className="absolute top-0 left-0 size-[9px] rounded-full border-2 border-soot outline outline-1 outline-chalk"
      />
    </div>
  );
}

/** The ball to pick the facing that is painted from, by dragging or with the arrow keys. */
export function FacingBall({
  faceX,
  faceY,
  onFace,
}: {
  faceX: number;
  faceY: number;
  onFace(x: number, y: number): void;
}) {
  const drag = (event: PointerEvent<HTMLDivElement>) => {
    if (!(event.buttons & 1)) return;
    const box = event.currentTarget.getBoundingClientRect();
    const x = (event.clientX - box.left - PICKER_PX / 2) / radiusOf(PICKER_PX);
    const y = (event.clientY - box.top - PICKER_PX / 2) / radiusOf(PICKER_PX);
    const length = Math.hypot(x, y);
    const by = length > MOST ? MOST / length : 1;
    onFace(x * by, y * by);
  };
  const onKey = (event: KeyboardEvent) => {
    const steps: Record<string, [number, number]> = {
      ArrowLeft: [-STEP, 0],
      ArrowRight: [STEP, 0],
      ArrowUp: [0, -STEP],
      ArrowDown: [0, STEP],
    };
    const step = steps[event.key];
    if (event.key === 'Home') onFace(0, 0);
    else if (step && Math.hypot(faceX + step[0], faceY + step[1]) <= MOST)
      onFace(faceX + step[0], faceY + step[1]);
    else if (!step) return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Direction"
      aria-valuenow={Math.round((Math.atan2(-faceY, faceX) * 180) / Math.PI)}
      aria-valuetext={facingWords(faceX, faceY)}
      title="Drag for the direction that is painted; a double click faces the viewer"
      className="relative shrink-0 cursor-crosshair touch-none"
      style={{ width: PICKER_PX, height: PICKER_PX }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag(event);
      }}
      onPointerMove={drag}
      onDoubleClick={() => onFace(0, 0)}
      onKeyDown={onKey}
    >
      <Ball sizePx={PICKER_PX} />
      <span
        className="pointer-events-none absolute top-0 left-0 size-[9px] border border-soot bg-chalk"
        style={{ transform: placeOf(PICKER_PX, faceX, faceY) }}
      />
    </div>
  );
}

/** Which way a facing looks and how far it is tilted, in words. */
export function facingWords(x: number, y: number): string {
  const tilt = Math.round((Math.asin(Math.min(1, Math.hypot(x, y))) * 180) / Math.PI);
  if (tilt < 2) return 'to the viewer';
  const names = ['right', 'lower right', 'down', 'lower left', 'left', 'upper left', 'up', 'upper right'];
  const turn = Math.round(Math.atan2(y, x) / (Math.PI / 4));
  return `${names[(turn + 8) % 8]}, ${tilt}°`;
}

/** The ball in the colours of a normal map with Y up. */
function paintBall(canvas: HTMLCanvasElement, sizePx: number): void {
  const context = canvas.getContext('2d')!;
  const { width } = canvas;
  const radius = radiusOf(sizePx);
  const picture = context.createImageData(width, width);
  for (let py = 0, p = 0; py < width; py++) {
    for (let px = 0; px < width; px++, p += 4) {
      const x = ((px + 0.5) / 2 - sizePx / 2) / radius;
      const y = ((py + 0.5) / 2 - sizePx / 2) / radius;
      const r = Math.hypot(x, y);
      if (r > 1.02) continue;
      const z = Math.sqrt(Math.max(0, 1 - r * r));
      picture.data[p] = (x + 1) * 127.5;
      picture.data[p + 1] = (1 - y) * 127.5;
      picture.data[p + 2] = (z + 1) * 127.5;
      picture.data[p + 3] = 255 * Math.min(1, Math.max(0, (1.02 - r) * radius));
    }
  }
  context.putImageData(picture, 0, 0);
}
