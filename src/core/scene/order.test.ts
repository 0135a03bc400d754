import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inOrder } from './document';
import { orderAt } from './order';

describe('a place in the order', () => {
  it('is where the record then stands, wherever it stood', () => {
    fc.assert(
      fc.property(fc.nat(5), fc.integer({ min: -2, max: 9 }), (from, place) => {
        const records = Object.fromEntries(
          ['a', 'b', 'c', 'd', 'e', 'f'].map((id, i) => [id, { order: `a${i}` }]),
        );
        const id = Object.keys(records)[from];
        const order = orderAt(records, id, place);
        const held = Math.min(5, Math.max(0, place));
        expect(order === null).toBe(from === held);
        const after = order === null ? records : { ...records, [id]: { order } };
        expect(inOrder(after).findIndex(([other]) => other === id)).toBe(held);
      }),
    );
  });
  it('is found among records that share a key', () => {
    const records = { a: { order: 'm' }, b: { order: 'm' }, c: { order: 'm' }, d: { order: 'n' } };
    const order = orderAt(records, 'd', 1)!;
    expect(order > 'm').toBe(true);
    expect(() => orderAt(records, 'a', 2)).not.toThrow();
  });
});
