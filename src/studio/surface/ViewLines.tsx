import type { RefObject } from 'react';

type LineProps = { line: RefObject<HTMLParagraphElement | null> };

const LINE = 'pointer-events-none absolute bottom-2 bg-mark-ground/75 px-1 text-mark-line empty:hidden';

/** The next step of the tool in hand, written by the view. */
export function HintLine({ line }: LineProps) {
  return <p ref={line} className={`${LINE} left-4`} />;
}

/** The figures of the view, written by it. */
export function ReadoutLine({ line }: LineProps) {
  return <p ref={line} className={`${LINE} figure right-4`} />;
}
