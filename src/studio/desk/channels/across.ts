/** How controls of channels are known to a drag across them. */
import type { Across } from '../../lights/across';

/** What a control of a channel sets when a drag begins on it. */
export const across = (what: Across) => ({ 'data-across': what });

/** A press by the pointer is the beginning of a drag across channels; a click without one is the keyboard's. */
export function byKeyAlone(press: () => void) {
  return ({ detail }: { detail: number }) => {
    if (detail === 0) press();
  };
}
