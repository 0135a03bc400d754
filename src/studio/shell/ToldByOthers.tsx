'use client';
import { useElsewhere, useStudio } from '../context';

/** What others wrote over, each with a way to have it back. */
export function ToldByOthers() {
  const studio = useStudio();
  const told = useElsewhere((state) => state.told);
  if (told.length === 0) return null;
  const close = (id: string) =>
    studio.elsewhere.setState((state) => ({ told: state.told.filter((one) => one.id !== id) }));
  return (
    <ul aria-label="Changed by others" className="fixed top-12 right-4 z-30 w-[360px]">
      {told.map(({ id, words, mend }) => (
        <li key={id} role="alert" className="floating mb-1 border border-rail bg-slate px-3 py-2">
          <p>{words}</p>
          <div className="mt-1 flex justify-end gap-1">
            {mend && (
              <button
                type="button"
                className="key"
                onClick={() => {
                  studio.scenes.transact({ label: mend.word, edits: mend.edits });
                  close(id);
                }}
              >
                {mend.word}
              </button>
            )}
            <button type="button" className="key" onClick={() => close(id)}>
              Close
            </button>
          </div>
        </li>
      ))}
    </ul>
  );
}
