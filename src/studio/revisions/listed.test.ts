import { describe, expect, it } from 'vitest';
import type { RevisionEntry } from '@/core/scene/changes';
import { changedWords, listedRevisions } from './listed';

const entry = (revision: number, second: number, fields: Partial<RevisionEntry> = {}): RevisionEntry => ({
  ...{ revision, madeAt: new Date(1_800_000_000_000 + 1000 * second).toISOString() },
  ...{ author: { id: 'ada', name: 'Ada' }, changed: { lights: 1 }, name: null, hasPicture: false },
  ...fields,
});

describe('the list of revisions', () => {
  it('folds saves of one person within a minute, but none that has a name or a picture, nor the first', () => {
    const listed = listedRevisions([
      entry(7, 100),
      entry(6, 95),
      entry(5, 80, { name: 'Good' }),
      entry(4, 79),
      entry(3, 78, { author: { id: 'ben', name: 'Ben' } }),
      entry(2, 0),
      entry(1, -1, { author: null, changed: {} }),
    ]);
    expect(listed.map((one) => [one.entry.revision, one.folded])).toEqual([
      [7, 1],
      [5, 1],
      [3, 0],
      [2, 0],
      [1, 0],
    ]);
  });
  it('says what was changed', () => {
    expect(changedWords(entry(3, 0, { changed: { lights: 2, settings: 1 } }), 0)).toBe('2 lights, the scene');
    expect(changedWords(entry(3, 0, { changed: { sprites: 1 } }), 4)).toBe('1 sprite, and 4 saves before it');
    expect(changedWords(entry(1, 0, { changed: {} }), 0)).toBe('how it began');
  });
});
