import { describe, expect, it } from 'vitest';
import { calculate } from './calculate';

describe('a sum typed into a field', () => {
  it.each([
    ['2*48', 96],
    ['12', 12],
    ['-3', -3],
    ['1,5', 1.5],
    ['(2+3)*4', 20],
    ['10/4-1', 1.5],
    ['2--3', 5],
    ['.5', 0.5],
  ])('%s is %d', (text, value) => expect(calculate(text)).toBe(value));

  it.each(['', 'lamp', '2*', '1/0', '(2', '2)', '1 2', '2**3'])('"%s" is no sum', (text) =>
    expect(calculate(text)).toBeNull(),
  );
});
