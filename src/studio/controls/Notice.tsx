'use client';
import { useEffect } from 'react';
import { useDesk, useScene, useStudio } from '../context';

/** So long a mention is read at leisure. */
const MENTION_MS = 9000;
/** Under the bar of the view, in its middle. */
const PLACE =
  'absolute top-12 right-4 left-4 z-10 mx-auto flex w-fit max-w-[720px] items-start gap-3 border px-3 py-2';

/** What is to be said at the moment: what went wrong, or what an undo passed over. */
export function Notice() {
  const studio = useStudio();
  const said = useDesk((state) => state.notice);
  const undone = useScene((state) => state.notice);
  const mention = useDesk((state) => state.mention);
  const words = said ?? undone;
  if (!words) return mention && <Mention words={mention} />;
  return (
    <div role="alert" className={`floating ${PLACE} border-rail bg-slate`}>
      <p>{words}</p>
      <button
        type="button"
        className="key shrink-0"
        onClick={() => {
          studio.say(null);
          studio.scenes.api.setState({ notice: null });
        }}
      >
        Close
      </button>
    </div>
  );
}

/** It lies over the view for a while and lets the pointer through. */
function Mention({ words }: { words: string }) {
  const studio = useStudio();
  useEffect(() => {
    const timer = setTimeout(() => studio.mention(null), MENTION_MS);
    return () => clearTimeout(timer);
  }, [studio, words]);
  return (
    <p role="status" className={`pointer-events-none ${PLACE} border-line bg-mark-ground/75 text-mark-line`}>
      {words}
    </p>
  );
}
