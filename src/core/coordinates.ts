/** Lists of coordinates, looked through in one go: number by number a list of ten thousand takes a tenth of a second. */
import { ArraySchema, number, type AnyObject, type ValidationError } from 'yup';
import { LIMITS } from './limits';

export const coordinate = () =>
  number().strict().required().min(-LIMITS.coordinatePx).max(LIMITS.coordinatePx);

/** @returns a list of any length up to a limit */
export function coordinates(most: number) {
  return new Coordinates(coordinate()).required().min(0).max(most);
}

/** Only a list with something wrong in it is checked number by number, for the words. */
class Coordinates extends ArraySchema<number[] | undefined, AnyObject> {
  protected override _validate(
    value: unknown,
    options: { recursive?: boolean } = {},
    panic: (fault: Error, value: unknown) => void,
    next: (faults: ValidationError[], value: unknown) => void,
  ): void {
    const recursive = (options.recursive ?? this.spec.recursive ?? true) && !areFine(value);
    super._validate(value, { ...options, recursive }, panic, next);
  }
}

function areFine(value: unknown): boolean {
  if (!Array.isArray(value)) return false;
  for (const one of value as unknown[])
    if (!(typeof one === 'number' && Math.abs(one) <= LIMITS.coordinatePx)) return false;
  return true;
}
