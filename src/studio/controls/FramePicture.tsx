'use client';
import type { Artwork, ArtworkFrame } from '@/core/scene/records/artwork';
import { blobUrl } from '../store/server-api';

/** One frame of an artwork, as large as a box of this size allows. */
export function FramePicture({
  artwork,
  frame,
  widthPx,
  heightPx,
}: {
  artwork: Pick<Artwork, 'imageSha' | 'widthPx' | 'heightPx'>;
  frame: ArtworkFrame;
  widthPx: number;
  heightPx: number;
}) {
  const scale = Math.min(widthPx / frame.widthPx, heightPx / frame.heightPx);
  return (
    <span
      className="pixels block"
      style={{
        width: frame.widthPx * scale,
        height: frame.heightPx * scale,
        backgroundImage: `url(${blobUrl(artwork.imageSha)})`,
        backgroundPosition: `${-frame.left * scale}px ${-frame.top * scale}px`,
        backgroundSize: `${artwork.widthPx * scale}px ${artwork.heightPx * scale}px`,
      }}
    />
  );
}
