import { describe, expect, it } from 'vitest';
import { coordinates } from './coordinates';
import { LIMITS } from './limits';

const list = coordinates(4);
const read = (value: unknown) => list.validateSync(value, { strict: true });

describe('a list of coordinates', () => {
  it('is taken as it is', () => {
    const given = [0, -1.5, LIMITS.coordinatePx, -LIMITS.coordinatePx];
    expect(read(given)).toBe(given);
    expect(read([])).toEqual([]);
  });

  it.each([
    [[1, 2, 3, 4, 5], /at most|less than or equal to 4/],
    [[1, LIMITS.coordinatePx + 1], /\[1\] must be less than or equal to/],
    [[1, -LIMITS.coordinatePx - 1], /\[1\] must be greater than or equal to/],
    [[1, '2'], /\[1\] must be a `number` type/],
    [[1, NaN], /\[1\] must be a `number` type/],
    [[null], /\[0\] .*(null|required)/],
    [[undefined], /\[0\] is a required field/],
    ['1, 2', /must be a `array` type/],
    [undefined, /required/],
  ])('is refused where something in it is wrong: %j', (given, words) => {
    expect(() => read(given)).toThrow(words);
  });
});
