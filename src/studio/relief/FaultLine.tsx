'use client';
import { usePictureTick, useStudio } from '../context';
import { Key } from '../controls/small';

/** Why the relief of the artwork on the bench could not be made; what is shown is an earlier one, or the bare art. */
export function FaultLine({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  usePictureTick();
  const fault = studio.pictures.faultOf(artworkId);
  if (fault === null) return null;
  return (
    <div
      role="status"
      className="absolute bottom-8 left-4 flex max-w-[420px] items-center gap-3 border border-signal bg-slate px-3 py-1"
    >
      <span>No relief: {fault}</span>
      <Key onClick={() => studio.pictures.retry(artworkId)}>Try again</Key>
    </div>
  );
}
