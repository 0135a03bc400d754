import { describe, expect, it } from 'vitest';
import { ahead } from './ahead';

describe('work that is begun ahead', () => {
  it('gives each its own result, and never has more under way than asked for', async () => {
    let running = 0;
    let most = 0;
    const items = Array.from({ length: 20 }, (_, i) => ({ i }));
    const of = ahead(items, 4, async ({ i }) => {
      most = Math.max(most, ++running);
      await new Promise((resolve) => setTimeout(resolve, 1));
      running--;
      if (i === 7) throw new Error('seven');
      return 2 * i;
    });
    for (const item of items) {
      if (item.i === 7) await expect(of(item)).rejects.toThrow('seven');
      else expect(await of(item)).toBe(2 * item.i);
    }
    expect(most).toBe(4);
  });

  it('begins nothing before it is asked for, and little that nobody asks for', async () => {
    const begun: number[] = [];
    const items = [1, 2, 3, 4, 5, 6];
    const of = ahead(items, 3, (item) => {
      begun.push(item);
      return Promise.resolve(item);
    });
    expect(begun).toEqual([]);
    await of(1);
    expect(begun).toEqual([1, 2, 3]);
  });
});
