'use client';
import { useEffect, useRef } from 'react';
import type { Paint } from '@/ready/paint';

/** A painting of our own code, by whole steps as large as a box of this size allows. */
export function PaintPicture({
  draw,
  widthPx,
  heightPx,
}: {
  /** The same function from render to render. */
  draw: () => { paint: Paint };
  widthPx: number;
  heightPx: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const { image } = draw().paint;
    const target = canvas.current!;
    const times = Math.max(1, Math.floor(Math.min(widthPx / image.width, heightPx / image.height)));
    Object.assign(target, { width: image.width, height: image.height });
    Object.assign(target.style, { width: `${image.width * times}px`, height: `${image.height * times}px` });
    const data = new ImageData(new Uint8ClampedArray(image.data), image.width, image.height);
    target.getContext('2d')!.putImageData(data, 0, 0);
  }, [draw, widthPx, heightPx]);
  return <canvas ref={canvas} aria-hidden className="pixels block" />;
}
