/** How deep JSON is nested, found before it is parsed: a parser takes memory for every level. */
import { InputFault } from './faults';

const [QUOTE, BACKSLASH] = ['"'.charCodeAt(0), '\\'.charCodeAt(0)];
const OPENING = [...'{['].map((one) => one.charCodeAt(0));
const CLOSING = [...'}]'].map((one) => one.charCodeAt(0));

/** @throws InputFault where a text opens more brackets within each other than there may be */
export function checkJsonDepth(text: string, most: number, what: string): void {
  let depth = 0;
  let isInString = false;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (isInString) {
      if (code === BACKSLASH) i++;
      else if (code === QUOTE) isInString = false;
    } else if (code === QUOTE) isInString = true;
    else if (code === OPENING[0] || code === OPENING[1]) {
      if (++depth > most) throw new InputFault(`${what} is nested deeper than ${most}.`);
    } else if (code === CLOSING[0] || code === CLOSING[1]) depth--;
  }
}
