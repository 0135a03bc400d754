import { useEffect, useRef, type RefObject } from 'react';
import { useStudio } from '../context';
import type { Studio } from '../store/studio';

/** What is drawn at most so often, ms. */
const REDRAW_MS = 66;

export interface LiveCanvas {
  context: CanvasRenderingContext2D;
  /** Device px. */
  width: number;
  height: number;
  ratio: number;
}

/**
 * A canvas that draws itself while time goes on or the scene changes; React never renders for it.
 * @param draw the same function from render to render; with another one the canvas is drawn anew
 */
export function useLiveCanvas(
  draw: (canvas: LiveCanvas, studio: Studio) => void,
): RefObject<HTMLCanvasElement | null> {
  const studio = useStudio();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const target = canvas.current!;
    const context = target.getContext('2d')!;
    let last = -Infinity;
    const redraw = () => {
      const now = performance.now();
      if (now - last < REDRAW_MS) return;
      last = now;
      const ratio = window.devicePixelRatio || 1;
      const [width, height] = [
        Math.round(target.clientWidth * ratio),
        Math.round(target.clientHeight * ratio),
      ];
      if (target.width !== width || target.height !== height) Object.assign(target, { width, height });
      context.clearRect(0, 0, width, height);
      draw({ context, width, height, ratio }, studio);
    };
    redraw();
    const leave = [studio.live.subscribe(redraw), studio.scenes.api.subscribe(redraw)];
    return () => leave.forEach((stop) => stop());
  }, [studio, draw]);
  return canvas;
}
