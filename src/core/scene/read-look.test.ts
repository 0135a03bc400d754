import { describe, expect, it } from 'vitest';
import { activePasses, finishNumbers } from '../finish/all-passes';
import { readLook } from './read-look';

describe('a look as a file', () => {
  it('has at rest what it does not say', () => {
    const look = readLook({ saturation: 0, tone: 'film' });
    const finish = finishNumbers({ ...look, autoShare: 0, autoLimitStops: 2 });
    expect([...activePasses(finish, 'light'), ...activePasses(finish, 'print')]).toEqual(['tone', 'grade']);
    expect(look.saturation).toBe(0);
  });

  it.each([
    [[], 'A look must be a JSON object'],
    [null, 'A look must be a JSON object'],
    [{ saturation: 'high' }, 'looks.file: saturation must be a `number` type'],
    [{ bloomLevel: -1 }, 'looks.file: bloomLevel must be greater than or equal to 0'],
    [{ exposureStop: 1 }, 'A look has no field “exposureStop”.'],
    [{ tone: 'sepia' }, 'looks.file: tone must be one of'],
  ])('is refused in words: %j', (value, words) => {
    expect(() => readLook(value)).toThrow(words);
  });
});
