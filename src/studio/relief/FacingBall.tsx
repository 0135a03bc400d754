'use client';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useStudio } from '../context';

const SIZE_PX = 74;
const RADIUS = SIZE_PX / 2 - 2;
/** A facing along the picture's plane would take no light from the front. */
const MOST = 0.985;
const STEP = 0.05;

/**
 * The ball of directions: a point on it faces as the ball does there. Dragging picks the facing that is painted; a
 * small ring shows the facing of the art under the pointer.
 */
export function FacingBall({
  faceX,
  faceY,
  onFace,
}: {
  faceX: number;
  faceY: number;
  onFace(x: number, y: number): void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const ring = useRef<HTMLSpanElement>(null);
  const studio = useStudio();
  useEffect(() => paintBall(canvas.current!), []);
  // The pointer moves too often for React: the ring is moved by hand.
  useEffect(() => {
    const show = (event: Event) => {
      const facing = (event as CustomEvent<[number, number] | null>).detail;
      const { style } = ring.current!;
      style.display = facing ? '' : 'none';
      if (facing) style.transform = placeOf(facing[0], facing[1]);
    };
    window.addEventListener(FACING_EVENT, show);
    return () => window.removeEventListener(FACING_EVENT, show);
  }, [studio]);

  const drag = (event: PointerEvent) => {
    if (!(event.buttons & 1)) return;
    const box = canvas.current!.getBoundingClientRect();
    const x = (event.clientX - box.left - SIZE_PX / 2) / RADIUS;
    const y = (event.clientY - box.top - SIZE_PX / 2) / RADIUS;
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
      aria-label="Facing"
      aria-valuenow={Math.round((Math.atan2(-faceY, faceX) * 180) / Math.PI)}
      aria-valuetext={facingWords(faceX, faceY)}
      title="Drag for the facing that is painted; double click faces the viewer"
      className="relative shrink-0 cursor-crosshair touch-none"
      style={{ width: SIZE_PX, height: SIZE_PX }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag(event);
      }}
      onPointerMove={drag}
      onDoubleClick={() => onFace(0, 0)}
      onKeyDown={onKey}
    >
      <canvas ref={canvas} width={SIZE_PX * 2} height={SIZE_PX * 2} className="size-full" />
      <span
        className="pointer-events-none absolute top-0 left-0 size-[9px] border border-soot bg-chalk"
        style={{ transform: placeOf(faceX, faceY) }}
      />
      <span
        ref={ring}
        style={{ display: 'none' }}
        className="pointer-events-none absolute top-0 left-0 size-[9px] rounded-full border-2 border-soot outline outline-1 outline-chalk"
      />
    </div>
  );
}

/** Told with the facing under the pointer, or null beyond the art. */
export const FACING_EVENT = 'oilwick-facing';

function placeOf(x: number, y: number): string {
  return `translate(${SIZE_PX / 2 + x * RADIUS - 4.5}px, ${SIZE_PX / 2 + y * RADIUS - 4.5}px)`;
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
function paintBall(canvas: HTMLCanvasElement): void {
  const context = canvas.getContext('2d')!;
  const { width } = canvas;
  const picture = context.createImageData(width, width);
  for (let py = 0, p = 0; py < width; py++) {
    for (let px = 0; px < width; px++, p += 4) {
      const x = ((px + 0.5) / 2 - SIZE_PX / 2) / RADIUS;
      const y = ((py + 0.5) / 2 - SIZE_PX / 2) / RADIUS;
      const r = Math.hypot(x, y);
      if (r > 1.02) continue;
      const z = Math.sqrt(Math.max(0, 1 - r * r));
      picture.data[p] = (x + 1) * 127.5;
      picture.data[p + 1] = (1 - y) * 127.5;
      picture.data[p + 2] = (z + 1) * 127.5;
      picture.data[p + 3] = 255 * Math.min(1, Math.max(0, (1.02 - r) * RADIUS));
    }
  }
  context.putImageData(picture, 0, 0);
}
