import { describe, expect, it } from 'vitest';
import { edgesOfClosed, isInside } from '@/core/geometry/outline';
import { normaliseOutlines } from '@/core/geometry/sound-outlines';
import { NEW_LOOK } from '@/core/scene/records/light-look';
import { STARTERS, startedArea, withHole, withKind } from './area-starters';

const lies = (outlines: readonly number[][], x: number, y: number) =>
  isInside(edgesOfClosed(normaliseOutlines(outlines)), x, y);

describe('outlines of area lights', () => {
  it('begin with shapes that hold their own middle', () => {
    for (const starter of STARTERS) {
      const { outlines, smooth, featherPx } = startedArea(starter);
      expect(outlines).toHaveLength(smooth!.length);
      expect(featherPx).toBeGreaterThan(0);
      const [points] = outlines!;
      const middle = (axis: 0 | 1) => {
        const all = points.filter((_, i) => i % 2 === axis);
        return (Math.min(...all) + Math.max(...all)) / 2;
      };
      expect(lies(outlines!, middle(0), middle(1))).toBe(true);
    }
  });

  it('get a hole in their middle, in which there is no light, and another beside it', () => {
    const square = { outlines: [[0, 0, 100, 0, 100, 50, 0, 50]], smooth: [] };
    const { outlines, smooth } = withHole(square);
    expect(outlines![1]).toEqual([30, 15, 70, 15, 70, 35, 30, 35]);
    expect(smooth).toEqual([[], []]);
    expect([lies(outlines!, 50, 25), lies(outlines!, 10, 25)]).toEqual([false, true]);
    expect(withHole({ outlines: outlines!, smooth: smooth! }).outlines).toHaveLength(3);
  });

  it('come with the kind, and stay as they are where there is one', () => {
    expect(withKind(NEW_LOOK, 'area').outlines).toHaveLength(1);
    expect(withKind(NEW_LOOK, 'spot')).toEqual({ kind: 'spot' });
    const own = { ...NEW_LOOK, outlines: [[0, 0, 1, 0, 1, 1]] };
    expect(withKind(own, 'area')).toEqual({ kind: 'area' });
  });
});
