'use client';
import { useStudio } from '../../context';

/** Under what is tried at this hour: a press records it in a cue. */
export function RecordKey() {
  const studio = useStudio();
  return (
    <button
      type="button"
      title="This is tried at this hour: record it in a cue"
      className="mb-[2px] shrink-0 cursor-pointer border border-brass text-small leading-[14px] text-brass"
      onClick={() => studio.desk.setState({ isRecording: true })}
    >
      record
    </button>
  );
}
