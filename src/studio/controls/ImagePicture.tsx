'use client';
import { useEffect, useRef } from 'react';
import type { Image } from '@/core/raster/image';

/** Pixels as a picture, crisp where they are enlarged. */
export function ImagePicture({ image, name, className }: { image: Image; name: string; className: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const { width, height, data } = image;
    canvas.current!.width = width;
    canvas.current!.height = height;
    canvas
      .current!.getContext('2d')!
      .putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  }, [image]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={name}
      className={`min-w-0 object-contain [image-rendering:pixelated] ${className}`}
    />
  );
}
