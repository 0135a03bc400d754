import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withoutFolds } from './folded-lines';
import { distanceToSegment, edgesOfLine } from './outline';

const unfolded = (...points: number[]) => [...withoutFolds(edgesOfLine(points))];
const lengthOf = (edges: ArrayLike<number>) => {
  let sum = 0;
  for (let i = 0; i < edges.length; i += 4)
    sum += Math.hypot(edges[i + 2] - edges[i], edges[i + 3] - edges[i + 1]);
  return sum;
};

describe('lines that run back over themselves', () => {
  it('keep each stretch once', () => {
    expect(unfolded(0, 0, 10, 0, 0, 0)).toEqual([0, 0, 10, 0]);
    expect(unfolded(0, 0, 10, 0, 4, 0)).toEqual([0, 0, 10, 0]);
    expect(unfolded(2, 0, 8, 0, 0, 0, 12, 0)).toEqual([2, 0, 8, 0, 2, 0, 0, 0, 8, 0, 12, 0]);
    // Of points to hundredths none need lie exactly on the line.
    expect(lengthOf(unfolded(0.1, 0.2, 9.37, 5.11, 4.73, 2.65))).toBeCloseTo(Math.hypot(9.27, 4.91), 2);
  });

  it('stay as they are where they only cross, touch or run beside each other', () => {
    for (const points of [
      [0, 0, 10, 10, 10, 0, 0, 10],
      [0, 0, 10, 0, 5, 0.2, 0, 0.2],
      [0, 0, 10, 0, 20, 0],
      [0, 0, 10, 0, 10, 5],
    ])
      expect(unfolded(...points)).toEqual([...edgesOfLine(points)]);
  });

  it('cover the same places as before, and no longer way', () => {
    const grid = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 4, maxLength: 16 });
    fc.assert(
      fc.property(grid, (all) => {
        const line = edgesOfLine(all.slice(0, all.length & ~1));
        const once = withoutFolds(line);
        expect(lengthOf(once)).toBeLessThanOrEqual(lengthOf(line) + 1e-9);
        for (let i = 0; i < line.length; i += 4) {
          for (const t of [0, 0.3, 0.77, 1]) {
            const [x, y] = [0, 1].map((c) => line[i + c] + (line[i + 2 + c] - line[i + c]) * t);
            const near = [...once.keys()].some(
              (k) =>
                k % 4 === 0 && distanceToSegment(x, y, once[k], once[k + 1], once[k + 2], once[k + 3]) < 0.01,
            );
            expect(near).toBe(true);
          }
        }
      }),
    );
  });
});
