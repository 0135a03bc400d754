'use client';
import { useStore } from 'zustand';
import { useStudio } from '../context';

/** How far work on many artworks is, a way to stop it, and what failed and why. */
export function WorkBar() {
  const studio = useStudio();
  const { title, done, all, failures, failedTitle } = useStore(studio.work.api);
  if (title === null && failures.length === 0) return null;
  return (
    <div className="absolute inset-x-0 bottom-8 z-10 mx-auto flex w-[520px] flex-col gap-2 border border-rail bg-slate px-3 py-2">
      {title !== null && (
        <div role="status" className="flex items-center gap-3">
          <span className="max-w-[220px] truncate">{title}</span>
          <progress
            aria-label={title}
            className="h-2 min-w-0 flex-1 accent-brass"
            value={done}
            max={Math.max(1, all)}
          />
          <span className="figure">
            {done} of {all}
          </span>
          <button type="button" className="key" onClick={() => studio.work.stop()}>
            Cancel
          </button>
        </div>
      )}
      {failures.length > 0 && (
        <div role="alert">
          <div className="flex items-start justify-between gap-3">
            <p>
              {failedTitle}: {failures.length} failed and {failures.length === 1 ? 'was' : 'were'} left as
              before.
            </p>
            <button type="button" className="key" onClick={() => studio.work.putAway()}>
              Close
            </button>
          </div>
          <ul className="max-h-[110px] overflow-y-auto text-small">
            {failures.map(({ name, why }, i) => (
              <li key={`${name} ${i}`}>
                <span className="text-brass">{name}</span>: {why}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
