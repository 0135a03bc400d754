'use client';
import { useDesk } from '../context';

/** How far pictures are that are being brought in, and a way to stop. */
export function Bringing() {
  const bringing = useDesk((state) => state.bringing);
  if (!bringing) return null;
  const { done, all, stop } = bringing;
  return (
    <div className="floating fixed top-14 left-1/2 z-30 flex -translate-x-1/2 items-center gap-3 border border-rail bg-slate px-3 py-1">
      <p role="status">
        Importing {Math.min(done + 1, all)} of {all} …
      </p>
      <button type="button" className="key" onClick={stop}>
        Stop
      </button>
    </div>
  );
}
