'use client';
/** A picture of the contact sheet: drawn when its turn comes, its place is there before. */
import { useStore } from 'zustand';
import { useStudio } from '../context';
import { ImagePicture } from '../controls/ImagePicture';

/** Longest side of the pictures that are drawn, px; a narrow gate gives narrower ones. */
export const SHEET_SIDE_PX = 160;

export function SheetPicture({ picture, name }: { picture: string; name: string }) {
  const image = useStore(useStudio().gateSheet.api, ({ images }) => images.get(picture));
  return (
    <span className="block aspect-video w-full bg-soot">
      {image && <ImagePicture image={image} name={name} className="h-full w-full" />}
    </span>
  );
}
