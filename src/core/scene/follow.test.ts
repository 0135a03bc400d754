import { describe, expect, it } from 'vitest';
import { followText, readFollow } from './follow';

describe('what a stream follows', () => {
  it('is read as it was written', () => {
    const all = [
      { sceneId: '4f29ab41-f644-414f', known: { revision: 17, changeNumber: 4 } },
      { sceneId: 'b', known: { revision: 1, changeNumber: 0 } },
    ];
    expect(readFollow(followText(all))).toEqual(all);
    expect(readFollow('')).toEqual([]);
  });

  it.each(['a', 'a:1', 'a:1.x', 'a:1.2,', ':1.2', 'a b:1.2', 'a:-1.2'])('is not %s', (text) =>
    expect(readFollow(text)).toBeNull(),
  );
});
