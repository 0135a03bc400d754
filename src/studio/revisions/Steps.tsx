'use client';
/** What was done and can be undone, and what was undone: a press goes to how the scene was after a step. */
import { useScene, useStudio } from '../context';

export function Steps() {
  const studio = useStudio();
  const done = useScene((state) => state.undo.map(({ label }) => label));
  const undone = useScene((state) => state.redo.map(({ label }) => label));
  const step = (label: string, key: string, isDone: boolean, isNow: boolean, count: number) => (
    <li key={key}>
      <button
        type="button"
        aria-current={isNow ? 'step' : undefined}
        className={`w-full cursor-pointer border-b border-line py-[2px] text-left ${isNow ? 'text-verdigris' : isDone ? '' : 'text-dust'}`}
        onClick={() => studio.scenes.go(count)}
      >
        {label}
      </button>
    </li>
  );
  return (
    <ol
      aria-label="Steps, newest first"
      className="min-h-0 flex-1 overflow-y-auto px-2 [scrollbar-width:thin]"
    >
      {undone.map((label, i) => step(label, `redo ${i}`, false, false, undone.length - i))}
      {done.toReversed().map((label, i) => step(label, `undo ${done.length - i}`, true, i === 0, -i))}
      {step('As it was when first opened', 'first', true, done.length === 0, -done.length)}
    </ol>
  );
}
