import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chainedEdges } from './chained';
import { edgesOfClosed, edgesOfLine } from './outline';

describe('edges joined end to end', () => {
  it('are the outline that they came from, and the line', () => {
    const square = [0, 0, 4, 0, 4, 4, 0, 4];
    expect(chainedEdges(edgesOfClosed([square]))).toEqual({ closed: [square], open: [] });
    expect(chainedEdges(edgesOfLine([1, 1, 2, 2, 5, 2]))).toEqual({ closed: [], open: [[1, 1, 2, 2, 5, 2]] });
    expect(chainedEdges(new Float64Array(0))).toEqual({ closed: [], open: [] });
  });

  it('are joined whatever their order, a hole as an outline of its own', () => {
    const outer = [0, 0, 9, 0, 9, 9, 0, 9];
    const hole = [3, 3, 3, 6, 6, 6, 6, 3];
    const edges = edgesOfClosed([outer, hole]);
    const shuffled = Float64Array.from(
      [5, 0, 3, 7, 1, 6, 4, 2].flatMap((i) => [...edges.subarray(4 * i, 4 * i + 4)]),
    );
    const { closed, open } = chainedEdges(shuffled);
    expect(open).toEqual([]);
    const sorted = (points: number[]) => JSON.stringify(points.toSorted((a, b) => a - b));
    expect(closed.map(sorted).sort()).toEqual([outer, hole].map(sorted).sort());
  });

  it('use each edge once', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(3), fc.nat(3), fc.nat(3), fc.nat(3)), { maxLength: 12 }),
        (list) => {
          const edges = Float64Array.from(list.flat());
          const { closed, open } = chainedEdges(edges);
          const pairs = (points: number[], isClosed: boolean) => {
            const round = isClosed ? [...points, points[0], points[1]] : points;
            return Array.from({ length: round.length / 2 - 1 }, (_, i) =>
              round.slice(2 * i, 2 * i + 4).join(),
            );
          };
          const used = [...closed.flatMap((p) => pairs(p, true)), ...open.flatMap((p) => pairs(p, false))];
          expect(used.sort()).toEqual(list.map((edge) => edge.join()).sort());
        },
      ),
    );
  });
});
