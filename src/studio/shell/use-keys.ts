import { useEffect } from 'react';
import { useStudio } from '../context';
import { commandFor } from '../commands/all-commands';

/** Keys that a focused control keeps for itself. */
function belongsToControl(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  if (['INPUT', 'SELECT', 'TEXTAREA'].includes(target.tagName)) return true;
  const isStep =
    event.key.startsWith('Arrow') ||
    event.key === ' ' ||
    event.key === 'Enter' ||
    event.key === 'Home' ||
    event.key === 'End';
  return (
    isStep &&
    (target.tagName === 'BUTTON' ||
      target.getAttribute('role') === 'slider' ||
      target.getAttribute('role') === 'tab')
  );
}

/** One listener for the whole studio: keys become commands. */
export function useKeys(): void {
  const studio = useStudio();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (belongsToControl(event) || document.querySelector('[role="dialog"]')) return;
      const { view } = studio;
      if (event.key === 'Escape' && view) {
        view.cancel();
        return;
      }
      if (event.key === 'Enter' && view) return view.confirm();
      if (event.key === '0' && view && !event.ctrlKey) return view.fit();
      if ((event.key === '+' || event.key === '=') && view && !event.ctrlKey) return view.zoom(1);
      if (event.key === '-' && view && !event.ctrlKey) return view.zoom(-1);
      const meant = commandFor(studio, event);
      if (!meant) return;
      if (meant.whyNot !== null) return studio.say(meant.whyNot);
      event.preventDefault();
      meant.command.run(studio);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [studio]);
}
