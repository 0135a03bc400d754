import { describe, expect, it } from 'vitest';
import { checkJsonDepth } from './json-depth';

describe('the depth of JSON', () => {
  it.each([
    ['[[[1]]]', 3],
    ['{"a":{"b":[1]},"c":[[2]]}', 3],
    ['"[[[[[["', 0],
    ['["\\"[[[", "\\\\"]', 1],
  ])('of %s is %i', (text, depth) => {
    expect(() => checkJsonDepth(text, depth, 'It')).not.toThrow();
    if (depth > 0)
      expect(() => checkJsonDepth(text, depth - 1, 'It')).toThrow(`It is nested deeper than ${depth - 1}.`);
  });

  it('is found at the first bracket too many, however many follow', () => {
    expect(() => checkJsonDepth('['.repeat(20_000_000), 32, 'It')).toThrow(/deeper than 32/);
  });
});
