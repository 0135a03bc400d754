'use client';
import { useDesk, useScene, useStudio } from '../context';

/** What is to be said at the moment: what went wrong, or what an undo passed over. */
export function Notice() {
  const studio = useStudio();
  const said = useDesk((state) => state.notice);
  const undone = useScene((state) => state.notice);
  const words = said ?? undone;
  if (!words) return null;
  return (
    <div
      role="alert"
      className="floating absolute top-12 right-4 left-4 z-10 mx-auto flex w-fit max-w-[720px] items-start gap-3 border border-rail bg-slate px-3 py-2"
    >
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
