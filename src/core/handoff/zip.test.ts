import { describe, expect, it } from 'vitest';
import { packFiles, unpackFiles } from './zip';

const bytes = (length: number) => new Uint8Array(length).fill(7);

describe('an archive', () => {
  const packed = packFiles({ 'a.txt': bytes(1000), 'b/c.txt': bytes(50), 'd.txt': bytes(3) });

  it('unpacks to what was packed', () => {
    expect(unpackFiles(packed)).toEqual({ 'a.txt': bytes(1000), 'b/c.txt': bytes(50), 'd.txt': bytes(3) });
  });

  it('lets go of the bytes that nobody asked for', () => {
    const files = unpackFiles(packed, (path) => (path === 'd.txt' ? 10 : 0));
    expect(Object.values(files).map(({ length }) => length)).toEqual([0, 0, 3]);
  });

  it('is refused by the name of an entry that unpacks to more than it may', () => {
    expect(() => unpackFiles(packed, () => 999)).toThrow('a.txt in the archive unpacks to too much.');
    expect(unpackFiles(packed, () => 1000)['a.txt'].length).toBe(1000);
  });

  it('is refused where it is cut off', () => {
    expect(() => unpackFiles(packed.subarray(0, packed.length - 30))).toThrow('cut off');
  });
});
