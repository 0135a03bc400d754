import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Box } from './affine';
import { BoxIndex } from './box-index';

const side = fc.integer({ min: 0, max: 40 });
const box = fc
  .tuple(side, side, side, side)
  .map(([x, y, w, h]): Box => ({ left: x, top: y, right: x + w, bottom: y + h }));

describe('an index of boxes', () => {
  it('finds those that meet another one, in their order, as looking at each would', () => {
    fc.assert(
      fc.property(fc.array(box, { maxLength: 60 }), box, (boxes, asked) => {
        const meets = ({ left, top, right, bottom }: Box) =>
          left <= asked.right && right >= asked.left && top <= asked.bottom && bottom >= asked.top;
        const all = boxes.flatMap((one, i) => (meets(one) ? [i] : []));
        expect(new BoxIndex(boxes).meeting(asked)).toEqual(all);
      }),
    );
  });

  it('has room for boxes without an end', () => {
    const endless = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };
    const index = new BoxIndex([{ left: 0, top: 0, right: 1, bottom: 1 }]);
    expect(index.meeting(endless)).toEqual([0]);
    expect(new BoxIndex([]).meeting(endless)).toEqual([]);
  });
});
