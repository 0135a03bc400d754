/** Draws a still picture by the reference renderer, for machines whose graphics can not draw the stage. */
import { renderReference } from '@/core/light/reference';
import type { Image } from '@/core/raster/image';
import type { Moment, PicturePixels } from '@/core/moment/moment';

export interface StillRequest {
  moment: Moment;
  pictures: Record<string, PicturePixels>;
}

self.onmessage = ({ data: { moment, pictures } }: MessageEvent<StillRequest>) => {
  const image: Image = renderReference(moment, (key) => pictures[key] ?? null);
  self.postMessage(image, { transfer: [image.data.buffer] });
};
