/** Pictures as a 2D canvas can draw them, the last one kept. */
import type { PicturePixels } from '@/core/moment/moment';

export class ArtBitmaps {
  private last: { rgba: Uint8Array; canvas: OffscreenCanvas } | null = null;

  of({ rgba, width, height }: PicturePixels): OffscreenCanvas {
    if (this.last?.rgba === rgba) return this.last.canvas;
    const canvas = new OffscreenCanvas(width, height);
    const copy = new Uint8ClampedArray(rgba.length);
    copy.set(rgba);
    canvas.getContext('2d')!.putImageData(new ImageData(copy, width, height), 0, 0);
    this.last = { rgba, canvas };
    return canvas;
  }
}
