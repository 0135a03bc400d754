/**
 * Steps of a relief that stand while what they are made of is the same: when one control moves, what the others ask
 * for need not be made anew.
 */
import { sameItems } from '../same-items';

/**
 * The value of a step: the one that was made last where all of `of` are the same things, else a new one. Values are
 * never changed by who gets them.
 */
export type Remember = <T>(step: string, of: readonly unknown[], make: () => T) => T;

/** Makes every step anew. */
export const rememberNothing: Remember = (_step, _of, make) => make();

/** The last value of each step, with what it was made of. */
export class Workings {
  private readonly last = new Map<string, { of: readonly unknown[]; value: unknown }>();

  readonly remember: Remember = <T>(step: string, of: readonly unknown[], make: () => T): T => {
    const there = this.last.get(step);
    if (there && sameItems(there.of, of)) return there.value as T;
    // What cannot be used any more makes room before the new is made.
    this.last.delete(step);
    const value = make();
    this.last.set(step, { of, value });
    return value;
  };
}

/** The same memory, for the steps of another relief that this one is made of. */
export function apart(remember: Remember, whose: string): Remember {
  return (step, of, make) => remember(`${whose} ${step}`, of, make);
}
